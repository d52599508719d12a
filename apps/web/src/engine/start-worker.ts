/** Workers that were started and that nobody has taken yet, by name. */
const waiting = new Map<string, Worker>();

const start = (name: string) => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name });

/** Has a worker load its code while the application loads its own; whoever asks for it first gets it. */
export function startAhead(name: string): void {
  if (!waiting.has(name)) waiting.set(name, start(name));
}

/** The worker that was started ahead under this name, or a new one. */
export function startWorker(name: string): Worker {
  const worker = waiting.get(name) ?? start(name);
  waiting.delete(name);
  return worker;
}
