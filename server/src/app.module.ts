import { existsSync } from 'node:fs';
import { Module } from '@nestjs/common';
import type { DynamicModule } from '@nestjs/common';
import { ServeStaticModule } from '@nestjs/serve-static';
import { TerminusModule } from '@nestjs/terminus';
import { LoggerModule } from 'nestjs-pino';
import { CLASSROOM } from './class/classroom.js';
import type { Classroom } from './class/classroom.js';
import { TeacherController } from './class/teacher.controller.js';
import { CampController } from './camp/camp.controller.js';
import { CampService } from './camp/camp.service.js';
import type { Store } from './db/database.js';
import { STORE } from './db/database.js';
import { GEAR_CONTROLLERS } from './gear/gear.controller.js';
import { GearService } from './gear/gear.service.js';
import { HealthController } from './health/health.controller.js';
import { KitController } from './kit/kit.controller.js';
import { KitService } from './kit/kit.service.js';
import { LogController } from './log/log.controller.js';
import { LogService } from './log/log.service.js';
import { NetController } from './net/net.controller.js';
import { NetService } from './net/net.service.js';
import { simulatedForecast, simulatedStation } from '@rough-bight/core/weather';
import { PersonController } from './person/person.controller.js';
import { PersonService } from './person/person.service.js';
import { PlaceController } from './place/place.controller.js';
import { PlaceService } from './place/place.service.js';
import { RigController } from './rig/rig.controller.js';
import { RigService } from './rig/rig.service.js';
import { VerdictService } from './rig/verdict.service.js';
import { webFolder } from './web/guarded.js';
import { FORECAST, STATION, WeatherController } from './weather/weather.controller.js';

@Module({})
export class AppModule {
  /** The application over an open store. */
  static over(store: Store, classroom: Classroom): DynamicModule {
    return {
      module: AppModule,
      imports: [
        LoggerModule.forRoot({ pinoHttp: { level: process.env['ROUGH_BIGHT_LOG'] ?? 'warn', autoLogging: false } }),
        TerminusModule.forRoot({ logger: false }),
        ...(existsSync(webFolder)
          ? [
              ServeStaticModule.forRoot({
                rootPath: webFolder,
                exclude: ['/api/{*path}'],
                serveStaticOptions: { index: ['index.html'] },
              }),
            ]
          : []),
      ],
      controllers: [
        CampController,
        RigController,
        PlaceController,
        KitController,
        LogController,
        TeacherController,
        ...GEAR_CONTROLLERS,
        PersonController,
        WeatherController,
        NetController,
        HealthController,
      ],
      providers: [
        { provide: STORE, useValue: store },
        { provide: CLASSROOM, useValue: classroom },
        { provide: STATION, useFactory: () => simulatedStation(Date.now) },
        { provide: FORECAST, useFactory: () => simulatedForecast(Date.now) },
        CampService,
        RigService,
        VerdictService,
        PlaceService,
        KitService,
        LogService,
        GearService,
        PersonService,
        NetService,
      ],
    };
  }
}
