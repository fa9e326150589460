/** What the description of the routes for programs says. */
import { tells } from '../quantity/message.ts';

export interface RoutesSays {
  readonly pointer: null;
  readonly measured: null;
  readonly endless: null;
  readonly status: null;
  readonly readBack: null;
  readonly needs: null;
  readonly file: null;
  readonly asks: null;
  readonly of: null;
  readonly agrees: null;
  readonly expected: null;
  readonly arrival: null;
  readonly refusal: null;
  readonly verify: null;
  readonly mend: null;
  readonly wiring: null;
  readonly parts: null;
  readonly drawing: null;
  readonly settings: null;
  readonly noPlan: null;
  readonly tooLarge: null;
  readonly noJson: null;
  readonly notWorkedOut: null;
  readonly tooMany: null;
  readonly title: null;
  readonly about: null;
  readonly catalogue: null;
  readonly schema: null;
  readonly description: null;
  readonly health: null;
  readonly ready: null;
}

export const routes = tells<RoutesSays>('report/routes');
