import type { PartView } from '../api/client';
import type { Field } from '../parts/fields';

export type PartName = PartView['part'];

const yes = (at: string, says: string): Field => ({
  kind: 'choice',
  at,
  says,
  choices: [
    { says: 'yes', value: true },
    { says: 'no', value: false },
  ],
});

const slide = (at: string): Field[] => [
  {
    kind: 'choice',
    at: `${at}.unit`,
    says: 'Its dial is in',
    choices: [
      { says: 'inches', value: 'in' },
      { says: 'milli{meter}s', value: 'mm' },
    ],
  },
  { kind: 'number', at: `${at}.graduation`, says: 'One division', how: 'in the dial’s own unit' },
  { kind: 'number', at: `${at}.per_turn`, says: 'One turn', how: 'in the dial’s own unit' },
  {
    kind: 'choice',
    at: `${at}.reads`,
    says: 'It reads',
    choices: [
      { says: 'travel', value: 'radius' },
      { says: 'diameter, twice the travel', value: 'diameter' },
    ],
  },
];

/** What is asked of each part, in order. Gears and gearbox have leaves of their own. */
export const FIELDS: Partial<Record<PartName, { title: string; how: string; fields: Field[] }>> = {
  leadscrew: {
    title: 'The leadscrew',
    how: 'Lay a rule along it: count the threads in an inch, or measure ten spaces in milli{meter}s.',
    fields: [
      { kind: 'number', at: 'leadscrew.tpi', says: 'Threads per inch' },
      { kind: 'number', at: 'leadscrew.pitch_mm', says: 'or its pitch in mm' },
      {
        kind: 'choice',
        at: 'leadscrew.hand',
        says: 'Hand',
        choices: [
          { says: 'right', value: 'right' },
          { says: 'left', value: 'left' },
        ],
      },
      { kind: 'length', at: 'leadscrew.diameter_mm', says: 'Across it' },
      {
        kind: 'choice',
        at: 'half_nut',
        says: 'It is taken hold of',
        choices: [
          { says: 'by a {half-nut}', value: true },
          { says: 'always: there is no {half-nut}', value: false },
        ],
      },
      {
        kind: 'choice',
        at: 'thread_axis',
        says: 'It drives',
        choices: [
          { says: 'the {carriage}', value: 'carriage' },
          { says: 'the {compound} alone', value: 'top_slide' },
        ],
      },
    ],
  },
  stud: {
    title: 'What turns the first gear',
    how: 'Turns of the spindle stud for one of the spindle, through the gears that are never changed. Most are 1/1; a trial tells.',
    fields: [{ kind: 'ratio', at: 'fixed_ratio', says: 'Ratio' }],
  },
  tumbler: {
    title: 'The tumbler',
    how: 'The lever that turns the leadscrew about.',
    fields: [
      {
        kind: 'choice',
        at: 'tumbler',
        says: 'It has',
        choices: [
          { says: 'both ways and a neutral place', value: ['right', 'left', 'neutral'] },
          { says: 'both ways', value: ['right', 'left'] },
          { says: 'the right-hand way only', value: ['right'] },
          { says: 'the left-hand way only', value: ['left'] },
          { says: 'there is none', value: [] },
        ],
      },
    ],
  },
  mounted: {
    title: 'On the lathe now',
    how: 'Tooth counts from the spindle end, as they hang; idlers left out.',
    fields: [
      { kind: 'teeth', at: 'mounted.drivers', says: 'Driving' },
      { kind: 'teeth', at: 'mounted.driven', says: 'Driven' },
    ],
  },
  arm: {
    title: 'The arm',
    how: 'Measured once, it tells which trains really hang. The largest boss or nut is what a gear must clear.',
    fields: [
      { kind: 'length', at: 'arm.stud_to_leadscrew_mm', says: 'Spindle stud to leadscrew' },
      { kind: 'length', at: 'arm.slot_reach_mm.0', says: 'Nearest a stud stands to the leadscrew' },
      { kind: 'length', at: 'arm.slot_reach_mm.1', says: 'Farthest' },
      { kind: 'length', at: 'arm.shaft_radius_mm', says: 'Largest boss, its radius' },
      { kind: 'number', at: 'arm.studs', says: 'Studs it holds' },
      {
        kind: 'choice',
        at: 'max_compounds',
        says: 'Trains',
        choices: [
          { says: 'two gears', value: 0 },
          { says: 'two or four', value: 1 },
          { says: 'up to six', value: 2 },
        ],
      },
    ],
  },
  dial: {
    title: 'The threading dial',
    how: 'Teeth of its gear, or of each you own; marks on its face. Nothing told: there is none.',
    fields: [
      { kind: 'teeth', at: 'dial.teeth', says: 'Teeth' },
      { kind: 'number', at: 'dial.marks', says: 'Marks', how: 'left out: as many as teeth' },
    ],
  },
  cross_slide: {
    title: 'The cross-slide’s dial',
    how: 'Read a division and a turn off it.',
    fields: slide('cross_slide'),
  },
  compound: {
    title: 'The {compound}',
    how: 'Its dial, its travel, and how far it swings.',
    fields: [
      ...slide('compound'),
      { kind: 'length', at: 'compound.travel_mm', says: 'Travel' },
      { kind: 'number', at: 'compound.swing_deg.0', says: 'Swings from, degrees' },
      { kind: 'number', at: 'compound.swing_deg.1', says: 'to, degrees' },
      {
        kind: 'choice',
        at: 'compound.scale_zero',
        says: 'Its scale has nought with the slide',
        choices: [
          { says: 'along the cross-slide', value: 'cross_slide' },
          { says: 'along the bed', value: 'bed' },
        ],
      },
    ],
  },
  speeds: {
    title: 'Spindle speeds',
    how: 'Each step as its plate has it, such as 27, 40, 58; or, stepless, 50 to 1800.',
    fields: [{ kind: 'speeds', at: 'speeds_rpm', says: 'Turns a minute' }],
  },
  spindle: {
    title: 'The spindle',
    how: 'How the chuck is held settles whether the spindle may be reversed in the cut.',
    fields: [
      {
        kind: 'choice',
        at: 'spindle.chuck',
        says: 'The chuck is',
        choices: [
          { says: 'screwed on', value: 'screwed' },
          { says: 'held by cams', value: 'cam_lock' },
          { says: 'bolted on', value: 'bolted' },
        ],
      },
      {
        kind: 'choice',
        at: 'drive',
        says: 'It is turned by',
        choices: [
          { says: 'a motor', value: 'motor' },
          { says: 'a belt from overhead', value: 'belt' },
          { says: 'a treadle', value: 'treadle' },
          { says: 'hand alone', value: 'hand' },
        ],
      },
      yes('spindle.reverses', 'It reverses'),
      yes('spindle.clutch', 'It has a clutch'),
      yes('spindle.brake', 'It has a brake'),
      { kind: 'number', at: 'spindle.coast_turns', says: 'Turns it coasts when stopped' },
      { kind: 'number', at: 'spindle.coast_at_rpm', says: 'From which speed, rpm' },
    ],
  },
  post: {
    title: 'The tool post',
    how: '',
    fields: [
      {
        kind: 'choice',
        at: 'post',
        says: 'It stands',
        choices: [
          { says: 'at the front', value: 'front' },
          { says: 'at the rear', value: 'rear' },
        ],
      },
    ],
  },
  stop: {
    title: 'The carriage stop',
    how: 'A fixed stop does not throw the {half-nut} out: never let a closed {half-nut} run into one.',
    fields: [
      {
        kind: 'choice',
        at: 'carriage_stop',
        says: 'On the bed there is',
        choices: [
          { says: 'none', value: 'none' },
          { says: 'a fixed block', value: 'fixed' },
          { says: 'one that throws the feed out', value: 'trips' },
        ],
      },
    ],
  },
  readout: {
    title: 'The digital readout',
    how: 'Nothing told: there is none.',
    fields: [
      {
        kind: 'choice',
        at: 'readout.cross_slide',
        says: 'It reads the cross-slide as',
        choices: [
          { says: 'travel', value: 'radius' },
          { says: 'diameter', value: 'diameter' },
        ],
      },
      yes('readout.compound', 'It reads the {compound}'),
      yes('readout.carriage', 'It reads the carriage'),
      {
        kind: 'choice',
        at: 'readout.unit',
        says: 'It shows',
        choices: [
          { says: 'milli{meter}s', value: 'mm' },
          { says: 'inches', value: 'in' },
        ],
      },
      { kind: 'length', at: 'readout.resolution_mm', says: 'Its last place' },
    ],
  },
};
