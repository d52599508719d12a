import { createZodDto } from 'nestjs-zod';
import { z } from 'zod';

/** The id in a route; anything but a UUID is answered with a clear message. */
export class IdDto extends createZodDto(z.object({ id: z.uuid('That id is not one of ours.') })) {}
