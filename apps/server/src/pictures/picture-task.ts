import { packField } from '@retoque/core';
import { decodePicture, UndecodableError } from '@retoque/decode';
import sharp from 'sharp';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { RefusedFileError } from '../storage/asset-limits.js';
import { serveWork } from '../work/serve-work.js';
import { readPicture, type ReadPicture } from './read-picture.js';
import { recodePicture, type MadePicture, type Recoding } from './recode.js';

// Everything that decodes pictures of others, in a process of its own. What is refused is an answer, not an error.

const compress = promisify(gzip);
/** Fields are mostly flat; more effort gains little. */
const EFFORT = { level: 3 };
const MEGABYTES = 900;
const PROCESSOR_MILLIS = 6000;

// One picture at a time on one thread: the bounds are those of a picture.
sharp.concurrency(1);
sharp.cache(false);

export type Answer<T> = { readonly ok: T } | { readonly refused: string };

async function answer<T>(work: Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: await work };
  } catch (error) {
    if (error instanceof RefusedFileError) return { refused: error.message };
    throw error;
  }
}

/** A packed, compressed field; why not, where the picture is too costly; null for what is no picture or is broken. */
export type Decoded = { readonly field: Uint8Array } | { readonly costly: string } | null;

async function decode(bytes: Uint8Array): Promise<Decoded> {
  try {
    return { field: await compress(packField(await decodePicture(bytes)), EFFORT) };
  } catch (error) {
    if (error instanceof UndecodableError) return error.costly === undefined ? null : { costly: error.costly };
    throw error;
  }
}

const read = (bytes: Uint8Array): Promise<Answer<ReadPicture>> => answer(readPicture(Buffer.from(bytes)));

const recode = (bytes: Uint8Array, wanted: Recoding): Promise<Answer<MadePicture>> =>
  answer(recodePicture(Buffer.from(bytes), wanted));

serveWork({ decode, read, recode }, { megabytes: MEGABYTES, processorMillis: PROCESSOR_MILLIS });
