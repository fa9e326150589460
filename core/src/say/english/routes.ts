/** The description of the routes, for those who write programs. */
import { topic } from '../language.ts';
import type { RoutesSays } from '../routes.ts';

export const routes = {
  'report/routes': topic<RoutesSays>({
    says: {
      pointer: 'JSON pointer',
      measured: 'in SI base units; null where nothing is counted',
      endless: 'null where it has no end',
      status: 'unread: all is proved, and sentences of hazards are still to be ticked off in the plan',
      readBack: 'the wiring plan read back; null while findings are open',
      needs: 'changes without which this one leads nowhere',
      file: 'the plan file as it then is',
      asks: 'it can kill or burn: nobody builds before it was read',
      of: 'node of a lead; helper of a part with two legs',
      agrees: 'read back, it joins what the plan joins',
      expected: 'an end that is null has none',
      arrival: 'days until the last parcel is there',
      refusal: 'RFC 9457, with the places of a file that are wrong',
      verify: 'What every check says of a plan, the remedies of each finding, and the wiring read back.',
      mend: 'What completes a plan: the changes, how it then stands, and the file.',
      wiring: 'The wiring plan of a laid-out build, step by step.',
      parts: 'What to buy for a plan, of whom and for how much.',
      drawing: 'The whole build, line by line or as one picture.',
      settings: 'What the software of a build must be told, as data or as a file for C, Python or a device tree.',
      noPlan: 'The body is no plan file: every problem with its place. Or the form that is asked for is none.',
      tooLarge: 'The body is too large.',
      noJson: 'The body is not JSON.',
      notWorkedOut:
        'Nothing is laid out, or the plan is not worked out in the time and memory that one request may take.',
      tooMany: 'Too many plans are waiting.',
      title: 'Idle Breadboard',
      about: 'Plans of sensor builds: judged, completed, laid out. Nothing is kept between two requests.',
      catalogue: 'The cards that ship.',
      schema: 'The JSON Schema of a file.',
      description: 'This description.',
      health: 'Whether the server answers.',
      ready: 'Whether it takes another plan.',
    },
  }),
};
