import { Injectable } from '@nestjs/common';
import { readConfig } from '../config.js';
import { Database } from '../database/database.module.js';
import { DEMO_OWNER } from '../owners/owner.guard.js';
import { PagesService } from '../pages/pages.service.js';

const SITE_NAME = 'Quillhaven Ferries';
const PAGES = ['/', '/booking.html', '/timetable.html', '/islands.html', '/contact.html', '/sign-in.html'];

/** Puts the demo site in, once for a database: brought from the practice host like any other page. */
@Injectable()
export class DemoSeeder {
  constructor(
    private readonly database: Database,
    private readonly pages: PagesService,
  ) {}

  async seedOnce(): Promise<void> {
    const { seedDemo, practiceOrigin } = readConfig();
    if (!seedDemo || !practiceOrigin) return;
    const ownerId = await this.database.ownerNamed(DEMO_OWNER);
    if (!(await this.database.claimSeeding(ownerId))) return;
    const scope = this.database.scopeFor(ownerId);
    try {
      let site: { id: string } | { name: string } = { name: SITE_NAME };
      for (const path of PAGES) {
        const page = await this.pages.bringFromAddress(
          scope,
          site,
          practiceOrigin + path,
          new AbortController().signal,
        );
        site = { id: page.siteId };
      }
    } catch (error) {
      await this.database.unclaimSeeding(ownerId);
      throw error;
    }
  }
}
