declare class URL {
  static canParse(url: string): boolean;
}
