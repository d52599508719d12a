import { Module } from '@nestjs/common';
import { APP_FILTER, APP_INTERCEPTOR, APP_PIPE } from '@nestjs/core';
import { ZodSerializerInterceptor, ZodValidationPipe } from 'nestjs-zod';
import { LoggerModule } from 'nestjs-pino';
import { AssetsController } from './assets/assets.controller.js';
import { PixelFields } from './assets/pixel-fields.js';
import { SiteAssetsController } from './assets/site-assets.controller.js';
import { SiteAssetsService } from './assets/site-assets.service.js';
import { ComponentsController } from './components/components.controller.js';
import { ComponentsService } from './components/components.service.js';
import { readConfig } from './config.js';
import { DatabaseModule } from './database/database.module.js';
import { HandoversController } from './handovers/handovers.controller.js';
import { HandoversService } from './handovers/handovers.service.js';
import { ScriptsController } from './handovers/scripts.controller.js';
import { ScriptsService } from './handovers/scripts.service.js';
import { FinishesController } from './finishes/finishes.controller.js';
import { FinishesService } from './finishes/finishes.service.js';
import { HealthController } from './health/health.controller.js';
import { ProblemFilter } from './http/problem.filter.js';
import { JobQueue } from './jobs/job-queue.js';
import { JobRunner } from './jobs/job-runner.js';
import { JobsController } from './jobs/jobs.controller.js';
import { JobsService } from './jobs/jobs.service.js';
import { SiteChecks } from './jobs/site-checks.js';
import { GeometryService } from './measuring/geometry.service.js';
import { LedgerService } from './measuring/ledger.service.js';
import { MeasuringController } from './measuring/measuring.controller.js';
import { ChangesController } from './pages/changes.controller.js';
import { PicturesService } from './pictures/pictures.service.js';
import { PalettesController } from './palettes/palettes.controller.js';
import { PalettesService } from './palettes/palettes.service.js';
import { PagesController } from './pages/pages.controller.js';
import { PageReaderService } from './pages/import/page-reader.js';
import { PagesService } from './pages/pages.service.js';
import { DemoSeeder } from './demo/demo-seeder.js';
import { StorageController } from './storage/storage.controller.js';
import { StorageService } from './storage/storage.service.js';
import { SitesController } from './sites/sites.controller.js';
import { SitesService } from './sites/sites.service.js';

@Module({
  imports: [
    DatabaseModule,
    LoggerModule.forRootAsync({
      useFactory: () => ({ pinoHttp: { level: readConfig().logLevel, autoLogging: { ignore: () => false } } }),
    }),
  ],
  controllers: [
    HealthController,
    SitesController,
    PagesController,
    ChangesController,
    MeasuringController,
    PalettesController,
    FinishesController,
    ComponentsController,
    HandoversController,
    ScriptsController,
    JobsController,
    AssetsController,
    SiteAssetsController,
    StorageController,
  ],
  providers: [
    PicturesService,
    PixelFields,
    PageReaderService,
    StorageService,
    SitesService,
    PagesService,
    GeometryService,
    LedgerService,
    PalettesService,
    FinishesService,
    ComponentsService,
    HandoversService,
    ScriptsService,
    JobQueue,
    JobRunner,
    JobsService,
    SiteChecks,
    SiteAssetsService,
    DemoSeeder,
    { provide: APP_PIPE, useClass: ZodValidationPipe },
    { provide: APP_INTERCEPTOR, useClass: ZodSerializerInterceptor },
    { provide: APP_FILTER, useClass: ProblemFilter },
  ],
})
export class AppModule {}
