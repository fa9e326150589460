/**
 * Who may import whom. A room of the core imports from the rooms that stand beside its name and from nobody else; the list is the real
 * graph and is changed by hand, so that a new dependency is a decision.
 */
const ROOMS = {
  quantity: [],
  standard: [],
  board: ['quantity'],
  capture: ['quantity', 'standard'],
  card: ['quantity'],
  plan: ['card', 'quantity', 'standard'],
  circuit: ['board', 'card', 'plan', 'quantity', 'standard'],
  physics: ['card', 'circuit', 'plan', 'quantity', 'standard'],
  buy: ['card', 'circuit', 'plan', 'quantity', 'standard'],
  check: ['board', 'buy', 'card', 'circuit', 'physics', 'plan', 'quantity', 'standard'],
  overview: ['card', 'check', 'circuit', 'physics', 'plan', 'quantity'],
  workshop: ['card', 'check', 'plan', 'quantity', 'standard'],
  compare: ['buy', 'card', 'check', 'physics', 'plan', 'quantity'],
  remedy: ['buy', 'card', 'check', 'circuit', 'compare', 'physics', 'plan', 'quantity', 'standard'],
  solve: ['buy', 'card', 'check', 'circuit', 'compare', 'physics', 'plan', 'quantity', 'remedy', 'standard'],
  layout: ['board', 'card', 'circuit', 'physics', 'plan', 'quantity', 'standard'],
  // The reader is a stranger to the engine that it judges.
  readback: ['board', 'card', 'circuit', 'plan', 'quantity', 'standard'],
  bench: ['board', 'capture', 'card', 'circuit', 'layout', 'physics', 'plan', 'quantity', 'readback', 'standard'],
  deliver: [
    'bench',
    'board',
    'buy',
    'capture',
    'card',
    'check',
    'circuit',
    'layout',
    'physics',
    'plan',
    'quantity',
    'readback',
    'selftest',
    'standard',
  ],
  selftest: ['bench', 'capture', 'card', 'circuit', 'plan', 'quantity', 'standard'],
  say: [
    'bench',
    'board',
    'buy',
    'capture',
    'card',
    'check',
    'circuit',
    'compare',
    'deliver',
    'layout',
    'overview',
    'plan',
    'physics',
    'quantity',
    'readback',
    'remedy',
    'solve',
    'standard',
    'workshop',
  ],
  // Words have to be said before they can be measured.
  drawing: ['check', 'overview', 'quantity', 'say'],
  map: ['board', 'deliver', 'drawing', 'layout', 'say'],
  format: [
    'board',
    'card',
    'check',
    'circuit',
    'deliver',
    'drawing',
    'map',
    'plan',
    'quantity',
    'say',
    'selftest',
    'standard',
    'workshop',
  ],
  report: ['card', 'check', 'circuit', 'deliver', 'plan', 'quantity', 'remedy', 'say'],
};

/** What an interface knows of the core: faces open rooms, and nothing in a room knows them. */
ROOMS.faces = Object.keys(ROOMS);

const strangers = Object.entries(ROOMS).map(([room, known]) => ({
  name: `${room}-knows-only-its-own`,
  comment: `${room} imports from ${known.length > 0 ? known.join(', ') : 'no other room'}.`,
  severity: 'error',
  from: { path: `^core/src/${room}/` },
  to: { path: '^core/src/', pathNot: `^core/src/(${[room, ...known].join('|')})/` },
}));

/** The floors of the web application: each knows those that stand beside its name. */
const FLOORS = {
  store: [],
  paper: [],
  port: [],
  reader: [],
  server: [],
  worker: ['paper'],
  state: ['paper', 'port', 'reader', 'store', 'worker'],
  kit: ['paper', 'state', 'worker'],
  charts: ['kit', 'state'],
  desk: ['kit', 'state'],
  drawer: ['desk', 'kit', 'state'],
  start: ['kit', 'state'],
  stations: ['charts', 'kit', 'port', 'state', 'worker'],
  frame: ['charts', 'drawer', 'kit', 'paper', 'state', 'stations', 'worker'],
};

const floors = Object.entries(FLOORS).map(([floor, known]) => ({
  name: `web-${floor}-knows-only-its-own`,
  comment: `${floor} imports from ${known.length > 0 ? known.join(', ') : 'no other floor'}.`,
  severity: 'error',
  from: { path: `^web/src/lib/${floor}/` },
  to: { path: '^web/src/lib/[^/]+/', pathNot: `^web/src/lib/(${[floor, ...known].join('|')})/` },
}));

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-unlisted-room',
      comment: 'A new room gets a line in ROOMS.',
      severity: 'error',
      from: { path: '^core/src/[^/]+/', pathNot: `^core/src/(${Object.keys(ROOMS).join('|')})/` },
      to: {},
    },
    {
      name: 'interfaces-know-faces',
      severity: 'error',
      from: { path: '^(web/src|cli/src)/' },
      to: { path: '^core/src/', pathNot: '^core/src/faces/' },
    },
    {
      name: 'core-knows-no-interface',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^(web|cli|e2e)/' },
    },
    ...strangers,
    ...floors,
    {
      name: 'web-no-unlisted-floor',
      comment: 'A new floor gets a line in FLOORS.',
      severity: 'error',
      from: { path: '^web/src/lib/[^/]+/', pathNot: `^web/src/lib/(${Object.keys(FLOORS).join('|')})/` },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types'] },
  },
};
