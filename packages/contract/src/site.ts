import { z } from 'zod';
import { pageChangeSchema } from './change.js';
import { finishSchema } from './finish.js';
import { lookSchema, locatorSchema } from './look.js';
import { paletteSchema, sitePaletteSchema } from './palette.js';
import { text } from './text.js';

const instant = z.iso.datetime();
const nameSchema = text(120, 'Keep the name under 120 characters.').trim().min(1, 'Give it a name.');

export const pageSummarySchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  name: z.string(),
  /** Where it came from; for pasted and uploaded pages an invented address under `https://page.invalid/`. */
  address: z.string(),
  source: z.enum(['address', 'upload', 'paste']),
  versionNumber: z.number().int(),
  versionAt: instant,
});
export type PageSummary = z.infer<typeof pageSummarySchema>;

/** Widths in CSS pixels up to which the medium and the narrow viewport's settings hold. */
export const boundsSchema = z
  .object({
    medium: z.number().int().min(320, 'Give 320 pixels or more.').max(4000, 'Give 4000 pixels or less.'),
    narrow: z.number().int().min(240, 'Give 240 pixels or more.').max(4000, 'Give 4000 pixels or less.'),
  })
  .refine(({ medium, narrow }) => narrow < medium, 'Narrow must end below medium.');
export type Bounds = z.infer<typeof boundsSchema>;

export const siteSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  bounds: boundsSchema,
  /** The colours that its looks may name. */
  palette: paletteSchema,
  /** Looks that are kept by name, for its components to follow. */
  finishes: z.array(finishSchema),
  createdAt: instant,
  pages: z.array(pageSummarySchema),
  componentCount: z.number().int(),
});
export type Site = z.infer<typeof siteSchema>;

export const siteListSchema = z.object({ sites: z.array(siteSchema) });
export const changeSiteSchema = z
  .object({
    name: nameSchema,
    /** New bounds with those that they were set on, so that nobody else's are overwritten unseen. */
    bounds: z.object({ from: boundsSchema, to: boundsSchema }),
  })
  .partial()
  .refine((change) => Object.keys(change).length > 0, 'Say what to change.');
export type ChangeSite = z.infer<typeof changeSiteSchema>;

/** Where a new page goes: an existing site, or one made with it. */
export const siteChoiceSchema = z.union([z.object({ id: z.uuid() }).strict(), z.object({ name: nameSchema }).strict()]);
export type SiteChoice = z.infer<typeof siteChoiceSchema>;

export const fromAddressSchema = z.object({
  site: siteChoiceSchema,
  address: text(2000, 'That address is too long.')
    .trim()
    .min(1, 'Give the address of a page.')
    .refine((value) => /^https?:\/\//i.test(value), 'Start the address with http:// or https://.')
    .refine((value) => URL.canParse(value), 'That is not an address a browser could open.'),
});
export type FromAddress = z.infer<typeof fromAddressSchema>;

export const fromPasteSchema = z.object({
  site: siteChoiceSchema,
  name: nameSchema,
  html: text(5_000_000, 'The HTML is over 5 MB.').min(1, 'Paste the HTML of the page.'),
  css: text(5_000_000, 'The CSS is over 5 MB.').default(''),
});
export type FromPaste = z.input<typeof fromPasteSchema>;

/** The text fields that go with uploaded files; `paths` gives each file's place in the chosen folder, in order. */
export const fromUploadSchema = z.object({
  siteId: z.uuid().optional(),
  siteName: nameSchema.optional(),
  paths: text(200_000).default('[]'),
  /** The path of the page among them, where there are several. */
  page: text(2000).optional(),
});

/** The places of uploaded files in their folder, in order. */
export const pathsSchema = z.array(text(2000)).max(1000);

export const removedSchema = z.object({
  scripts: z.number().int(),
  handlers: z.number().int(),
  plugins: z.number().int(),
  refreshes: z.number().int(),
  frames: z.number().int(),
});

export const pageVersionSchema = z.object({
  id: z.uuid(),
  pageId: z.uuid(),
  number: z.number().int(),
  createdAt: instant,
  address: z.string(),
  html: z.string(),
  sheets: z.array(z.object({ address: z.string(), text: z.string() })),
  assets: z.array(z.object({ address: z.string(), hash: z.string(), contentType: z.string(), size: z.number().int() })),
  removed: removedSchema,
  /** What the owner should know: things left out, files that were asked for and not found. */
  notes: z.array(z.string()),
  /** Names the version together with the changes that its HTML has. */
  edition: z.string(),
  changes: z.array(pageChangeSchema),
});
export type PageVersion = z.infer<typeof pageVersionSchema>;

export const pageSchema = pageSummarySchema.extend({ version: pageVersionSchema });
export type Page = z.infer<typeof pageSchema>;

export const trialSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  revision: z.number().int(),
  look: lookSchema,
  updatedAt: instant,
});
export type Trial = z.infer<typeof trialSchema>;

export const componentSchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  pageId: z.uuid(),
  kind: z.string(),
  name: z.string(),
  locator: locatorSchema,
  trials: z.array(trialSchema),
  /** The trial that is worn: shown first and handed over. */
  currentTrialId: z.uuid(),
  createdAt: instant,
});
export type Component = z.infer<typeof componentSchema>;

/** The version of a component that is worn. */
export const currentTrial = ({ trials, currentTrialId }: Pick<Component, 'trials' | 'currentTrialId'>): Trial =>
  trials.find(({ id }) => id === currentTrialId)!;

export const componentListSchema = z.object({ components: z.array(componentSchema) });

export const openComponentSchema = z.object({
  pageId: z.uuid(),
  kind: text(60).min(1),
  name: nameSchema,
  locator: locatorSchema,
});
export type OpenComponent = z.infer<typeof openComponentSchema>;

export const changeComponentSchema = z
  .object({ name: nameSchema, currentTrialId: z.uuid() })
  .partial()
  .refine((change) => Object.keys(change).length > 0, 'Say what to change.');

/** In characters. */
export const LONGEST_STEP = 200;

export const saveLookSchema = z.object({
  /** The revision that the edit was made on. */
  baseRevision: z.number().int().min(0),
  /** Made anew for each save and kept for its retries, so that a retry after a lost answer is no conflict. */
  saveId: z.uuid(),
  look: lookSchema,
  /** What was done, in words: the name of the step that leads to this look. */
  step: text(LONGEST_STEP).optional(),
});
export type SaveLook = z.infer<typeof saveLookSchema>;
export const savedLookSchema = z.object({
  revision: z.number().int(),
  savedAt: instant,
  /** The look as it is now, where it was saved again since: a save that is sent once more may be an old one. */
  newer: trialSchema.nullable(),
});
export type SavedLook = z.infer<typeof savedLookSchema>;

/** A look as it was acknowledged once. */
export const lookRevisionSchema = z.object({
  revision: z.number().int(),
  savedAt: instant,
  look: lookSchema,
  /** What was done, where it was told. */
  step: z.string().nullable(),
});
export type LookRevision = z.infer<typeof lookRevisionSchema>;
/** Revisions of a look, the newest first, without what they say. */
export const lookRevisionsSchema = z.object({ revisions: z.array(lookRevisionSchema.omit({ look: true })) });
export type LookRevisions = z.infer<typeof lookRevisionsSchema>;
/** The last revisions of a look with what they say, the newest first. */
export const lookHistorySchema = z.object({ revisions: z.array(lookRevisionSchema) });
export type LookHistory = z.infer<typeof lookHistorySchema>;

/** Looks of several components of a site, saved all or none. */
export const saveLooksSchema = z.object({
  looks: z
    .array(saveLookSchema.extend({ componentId: z.uuid(), trialId: z.uuid() }))
    .min(1, 'Send a look.')
    .max(500),
});
export type SaveLooks = z.infer<typeof saveLooksSchema>;
export const savedLooksSchema = z.object({
  saved: z.array(savedLookSchema.extend({ componentId: z.uuid(), trialId: z.uuid() })),
});

/** A component of a site with the look that it wears. */
export const wornLookSchema = z.object({
  id: text(80),
  name: text(200),
  kind: text(60).min(1),
  locator: locatorSchema,
  look: lookSchema,
  /** The page that it was kept on. */
  pageId: text(80).optional(),
});
export type WornLookData = z.infer<typeof wornLookSchema>;

/** All looks that a site wears, in the order in which its components were kept: what `retoque check --looks` reads. */
export const siteLooksSchema = z.object({
  bounds: boundsSchema,
  looks: z.array(wornLookSchema).max(2000),
  /** The colours that looks may name; files that were written before there were palettes have none. */
  palette: sitePaletteSchema.default({ swatches: [], handedOverAs: 'literals' }),
  /** The finishes that looks may follow. */
  finishes: z
    .array(z.object({ id: z.uuid(), look: lookSchema }))
    .max(500)
    .default([]),
});
export type SiteLooks = z.infer<typeof siteLooksSchema>;

export const addTrialSchema = z.object({ look: lookSchema, makeCurrent: z.boolean().default(true) });
export type AddTrial = z.input<typeof addTrialSchema>;

export const renameTrialSchema = z.object({
  name: text(40, 'Keep the name under 40 characters.').trim().min(1, 'Give it a name.'),
});

/** Puts a discarded version back; `makeCurrent` where it was in hand. */
export const restoreTrialSchema = z.object({ makeCurrent: z.boolean().default(false) });

export const healthSchema = z.object({
  status: z.enum(['ok', 'down']),
  database: z.enum(['ok', 'down']),
  down: z.array(z.string()).optional(),
});

/** What an owner has stored. */
export const storageSchema = z.object({
  /** Bytes of pages, pictures and fonts, with what was decoded of them. */
  used: z.number().int(),
  /** The most that may be stored, in bytes. */
  limit: z.number().int(),
  /** How many removed sites and pages are kept for restoring; their room can be freed. */
  removed: z.number().int(),
});
export type Storage = z.infer<typeof storageSchema>;
