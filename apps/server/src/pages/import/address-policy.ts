import ipaddr from 'ipaddr.js';

/** Why an address may not be fetched from; undefined when it may. Judged on the address really connected to. */
export function refusalOf(ip: string): string | undefined {
  let parsed: ipaddr.IPv4 | ipaddr.IPv6;
  try {
    parsed = ipaddr.process(ip);
  } catch {
    return 'it is not an internet address';
  }
  const range = parsed.range();
  if (range === 'unicast') return undefined;
  const words: Readonly<Record<string, string>> = {
    private: 'it is in a private network',
    uniqueLocal: 'it is in a private network',
    loopback: 'it is this machine itself',
    linkLocal: 'it is a link-local address',
    unspecified: 'it is no real address',
    carrierGradeNat: 'it is inside a provider’s network',
  };
  return words[range] ?? 'it is not a public address';
}

/** `host:port` of the practice host, the one local place that pages may come from. */
export function isPracticeHost(url: URL, practiceOrigin: string | undefined): boolean {
  return practiceOrigin !== undefined && url.origin === new URL(practiceOrigin).origin;
}
