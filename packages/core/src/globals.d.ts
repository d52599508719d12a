/** The one global beyond the language that the core uses: WHATWG URL, present in browsers, workers and Node alike. */
declare class URL {
  constructor(url: string, base?: string);
  readonly href: string;
  readonly protocol: string;
  readonly origin: string;
  readonly pathname: string;
}
