import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { fieldOf, packField, TOO_COSTLY } from '@retoque/core';
import { HeldPictures } from './held-pictures';

const packed = packField(
  fieldOf(2, 1, new Uint8ClampedArray([255, 0, 0, 255, 0, 0, 255, 255]), { width: 2, height: 1 }),
);

/** Answers of the server, by the hash that is asked for. */
function serverWith(answers: Readonly<Record<string, () => Response>>) {
  const asked: string[] = [];
  jest.spyOn(globalThis, 'fetch').mockImplementation((address) => {
    asked.push(String(address));
    const hash = String(address).split('/').at(-2)!;
    const answer = answers[hash];
    return answer ? Promise.resolve(answer()) : Promise.reject(new TypeError('no connection'));
  });
  return asked;
}

afterEach(() => void jest.restoreAllMocks());

describe('HeldPictures', () => {
  it('asks for each picture once, however many pages show it', async () => {
    const asked = serverWith({ red: () => new Response(packed as BodyInit) });
    const held = new HeldPictures('http://here/api/assets/');
    const [first, second] = await Promise.all([held.fieldOf('red'), held.fieldOf('red')]);
    expect(first).toBe(second);
    expect(first).toMatchObject({ width: 2, height: 1 });
    expect(asked).toEqual(['http://here/api/assets/red/pixels']);
  });

  it('tells what is no picture from what costs too much', async () => {
    serverWith({ none: () => new Response(null, { status: 204 }), much: () => new Response('', { status: 422 }) });
    const held = new HeldPictures('/');
    expect(await held.fieldOf('none')).toBeNull();
    expect(await held.fieldOf('much')).toBe(TOO_COSTLY);
  });

  it.each([500, 503])('asks again for what was answered with %i', async (status) => {
    const answers: Record<string, () => Response> = { red: () => new Response('', { status }) };
    serverWith(answers);
    const held = new HeldPictures('/');
    expect(await held.fieldOf('red')).toBeUndefined();
    answers.red = () => new Response(packed as BodyInit);
    expect(await held.fieldOf('red')).toMatchObject({ width: 2 });
  });

  it('asks again after a connection was lost', async () => {
    const asked = serverWith({});
    const held = new HeldPictures('/');
    expect(await held.fieldOf('red')).toBeUndefined();
    expect(await held.fieldOf('red')).toBeUndefined();
    expect(asked).toHaveLength(2);
  });
});
