import { expose } from 'comlink';
import { HeldPictures } from './held-pictures';
import { inFront } from './in-front';
import { framesOf } from './nouns/frames';
import { ledgerOf } from './nouns/ledger';
import { measuringOf } from './nouns/measuring';
import { pagesOf } from './nouns/pages';
import { paletteOf } from './nouns/palette';
import { sharingOf } from './nouns/sharing';
import { sheetOf } from './nouns/sheet';
import { wholeSiteOf } from './nouns/site';
import type { Engine } from './protocol';
import { SiteFiles } from './site-files';

/** Where stored files are had from. */
const ASSETS = `${self.location.origin}/api/assets/`;
const files = new SiteFiles(ASSETS);
const held = new HeldPictures(ASSETS);

const engine: Engine = {
  ...pagesOf(files, held),
  ...wholeSiteOf(files, held),
  ...framesOf(files),
  ...measuringOf(files),
  ...sheetOf(files),
  ...ledgerOf(),
  ...paletteOf(),
  ...sharingOf(files),
};

expose(inFront(engine));
