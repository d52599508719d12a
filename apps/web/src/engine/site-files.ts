import { fontFaces, resolveAddress, rewriteUrls, type FrameRules } from '@retoque/core';
import type { EngineFile, EnginePage } from './protocol';

/** No plan of a look has it. */
const FONTS_ID = -1;

/** Files of the site that looks may name, and how frames load them and what pages themselves bring. */
export class SiteFiles {
  private files: readonly EngineFile[] = [];
  /** Rules with local addresses, by the rules as they are planned. */
  private localRules = new WeakMap<FrameRules['rules'], FrameRules>();
  /** The rules of the site's font files, as frames load them. */
  fontCss = '';

  constructor(private readonly assetBase: string) {}

  use(files: readonly EngineFile[]): void {
    this.files = files;
    this.localRules = new WeakMap();
    this.fontCss = fontFaces(this.fontsAt(({ hash }) => this.assetBase + hash));
  }

  /** @param pictures false for a page whose pictures are missing */
  assetsOf(page: EnginePage, pictures = true) {
    const assets = pictures ? page.assets : page.assets.filter((asset) => asset.contentType.startsWith('font/'));
    const byAddress = new Map(assets.map((asset) => [asset.address, asset.hash]));
    for (const file of this.files) {
      const absolute = resolveAddress(file.address, page.address);
      if (absolute && (pictures || file.font)) byAddress.set(absolute, file.hash);
    }
    return {
      assetSource: this.assetBase,
      assetAt: (absolute: string) => {
        const hash = byAddress.get(absolute);
        return hash && this.assetBase + hash;
      },
    };
  }

  /** The site's pictures, by the addresses under which looks on a page name them. */
  picturesOn(page: EnginePage): readonly { readonly address: string; readonly hash: string }[] {
    return this.files.flatMap(({ address, hash, font }) => {
      const absolute = font ? undefined : resolveAddress(address, page.address);
      return absolute ? [{ address: absolute, hash }] : [];
    });
  }

  /** A look's CSS as a frame can load it: the paths that it names lead to stored files. */
  localCss(css: string, page: EnginePage): string {
    return css.includes('url(') ? rewriteUrls(css, { address: page.address, ...this.assetsOf(page) }) : css;
  }

  /** The site's font files under an address each. */
  fontsAt(addressOf: (file: EngineFile) => string) {
    return this.files.flatMap((file) => (file.font ? [{ ...file.font, address: addressOf(file) }] : []));
  }

  /** The rules of a look for still frames, fonts and pictures included. */
  framesOf(rules: readonly FrameRules[], page: EnginePage): readonly FrameRules[] {
    const local = rules.map((own) => this.localFrame(own, page));
    return this.fontCss ? [{ id: FONTS_ID, rules: [{ states: 0, css: this.fontCss }] }, ...local] : local;
  }

  private localFrame(own: FrameRules, page: EnginePage): FrameRules {
    if (!own.rules.some(({ css }) => css.includes('url('))) return own;
    let made = this.localRules.get(own.rules);
    if (!made) {
      made = { ...own, rules: own.rules.map((rule) => ({ ...rule, css: this.localCss(rule.css, page) })) };
      this.localRules.set(own.rules, made);
    }
    return made;
  }
}
