import { createParamDecorator, Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { Database } from '../database/database.module.js';
import type { OwnerScope } from '../database/owner-scope.js';

export const DEMO_OWNER = 'demo';

interface OwnedRequest extends Request {
  ownerScope?: OwnerScope;
}

/** Says whose data a request may touch. Until there are accounts that is the one demo owner. */
@Injectable()
export class OwnerGuard implements CanActivate {
  private demoOwner: Promise<string> | undefined;

  constructor(private readonly database: Database) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<OwnedRequest>();
    this.demoOwner ??= this.database.ownerNamed(DEMO_OWNER);
    try {
      request.ownerScope = this.database.scopeFor(await this.demoOwner);
    } catch (error) {
      // Asked again next time; a database that was down must not stay so in memory.
      this.demoOwner = undefined;
      throw error;
    }
    return true;
  }
}

/** The scope of the request's owner. */
export const Owned = createParamDecorator((_: unknown, context: ExecutionContext): OwnerScope => {
  const { ownerScope } = context.switchToHttp().getRequest<OwnedRequest>();
  if (!ownerScope) throw new Error('A route that touches data needs the OwnerGuard.');
  return ownerScope;
});
