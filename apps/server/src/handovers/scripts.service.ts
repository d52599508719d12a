import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { BehaviourScript } from '@retoque/contract';
import { LRUCache } from 'lru-cache';
import { WorkPool } from '../work/work-pool.js';

const BOUNDS = {
  script: 'handovers/script-task.js',
  processes: 1,
  queue: 20,
  millis: 30_000,
  heapMegabytes: 256,
} as const;

/** The script of behaviours, put together once for each set of them. */
@Injectable()
export class ScriptsService implements OnApplicationShutdown {
  private readonly pool = new WorkPool(BOUNDS);
  private readonly made = new LRUCache<string, Promise<BehaviourScript>>({ max: 64 });

  /** @param names of behaviours, in any order; others are left out */
  async of(names: readonly string[]): Promise<BehaviourScript> {
    const sorted = [...new Set(names)].sort();
    const key = sorted.join();
    let script = this.made.get(key);
    if (!script) {
      script = this.pool.run<BehaviourScript>('composeScript', [sorted]);
      this.made.set(key, script);
    }
    try {
      return await script;
    } catch (error) {
      this.made.delete(key);
      throw error;
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.stop();
  }
}
