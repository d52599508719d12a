import { describe, expect, it } from '@jest/globals';
import { isPracticeHost, refusalOf } from './address-policy.js';

// Source: the special-purpose address registries of RFC 6890 and RFC 4291; one of each block.
describe('which addresses may be fetched from', () => {
  it.each([
    '127.0.0.1',
    '127.8.8.8',
    '10.0.0.1',
    '172.16.0.1',
    '172.31.255.255',
    '192.168.1.1',
    '169.254.169.254',
    '0.0.0.0',
    '100.64.0.1',
    '192.0.2.1',
    '198.18.0.1',
    '203.0.113.5',
    '224.0.0.1',
    '255.255.255.255',
    '::1',
    '::',
    'fe80::1',
    'fc00::1',
    'fd12:3456::1',
    'ff02::1',
    '::ffff:127.0.0.1',
    '::ffff:10.0.0.1',
    '64:ff9b::7f00:1',
    '2002:7f00:1::',
    '2001:db8::1',
    'not an address',
    '',
  ])('%j is refused with a reason', (address) => expect(refusalOf(address)).toBeTruthy());

  it.each(['8.8.4.4', '151.101.1.1', '2606:4700::1111', '::ffff:8.8.4.4'])('%s is public', (address) =>
    expect(refusalOf(address)).toBeUndefined(),
  );

  it('knows the practice host by its whole origin', () => {
    const origin = 'http://127.0.0.1:4311';
    expect(isPracticeHost(new URL('http://127.0.0.1:4311/x'), origin)).toBe(true);
    expect(isPracticeHost(new URL('http://127.0.0.1:4312/x'), origin)).toBe(false);
    expect(isPracticeHost(new URL('http://localhost:4311/x'), origin)).toBe(false);
    expect(isPracticeHost(new URL('http://127.0.0.1:4311/x'), undefined)).toBe(false);
  });
});
