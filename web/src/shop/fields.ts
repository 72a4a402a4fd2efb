import type { PartView } from '../api/client';
import type { Field } from '../parts/fields';
import { spoken, text } from '../app/voice';

export type PartName = PartView['part'];

const yes = (at: string, says: string): Field => ({
  kind: 'choice',
  at,
  says,
  choices: [
    { says: text('shop-yes'), value: true },
    { says: text('shop-no'), value: false },
  ],
});

/** Whether the studs of an arm take pairs of gears, or one each. */
const takes = (at: string, says: string): Field => ({
  kind: 'choice',
  at,
  says,
  choices: [
    { says: text('shop-arm-takes-pairs'), value: false },
    { says: text('shop-arm-takes-idlers'), value: true },
  ],
});

const slide = (at: string): Field[] => [
  {
    kind: 'choice',
    at: `${at}.unit`,
    says: text('shop-its-dial-is-in'),
    choices: [
      { says: text('shop-inches'), value: 'in' },
      { says: text('shop-millimeters'), value: 'mm' },
    ],
  },
  { kind: 'number', at: `${at}.graduation`, says: text('shop-one-division'), how: text('shop-dials-own-unit') },
  { kind: 'number', at: `${at}.per_turn`, says: text('shop-one-turn'), how: text('shop-dials-own-unit') },
  {
    kind: 'choice',
    at: `${at}.reads`,
    says: text('shop-it-reads'),
    choices: [
      { says: text('shop-travel'), value: 'radius' },
      { says: text('shop-diameter-twice-the-travel'), value: 'diameter' },
    ],
  },
];

/** What is asked of each part, in order. Gears and gearbox have leaves of their own. */
export const FIELDS = spoken<Partial<Record<PartName, { title: string; how: string; fields: Field[] }>>>(() => ({
  leadscrew: {
    title: text('shop-the-leadscrew'),
    how: text('shop-lay-rule-along'),
    fields: [
      { kind: 'number', at: 'leadscrew.tpi', says: text('page-threads-per-inch') },
      { kind: 'number', at: 'leadscrew.pitch_mm', says: text('shop-pitch-mm') },
      {
        kind: 'choice',
        at: 'leadscrew.hand',
        says: text('page-hand'),
        choices: [
          { says: text('shop-right'), value: 'right' },
          { says: text('shop-left'), value: 'left' },
        ],
      },
      { kind: 'length', at: 'leadscrew.diameter_mm', says: text('shop-across-it') },
      {
        kind: 'choice',
        at: 'half_nut',
        says: text('shop-taken-hold'),
        choices: [
          { says: text('shop-by-a-half-nut'), value: true },
          { says: text('shop-always-half-nut'), value: false },
        ],
      },
      {
        kind: 'choice',
        at: 'thread_axis',
        says: text('shop-it-drives'),
        choices: [
          { says: text('shop-the-carriage'), value: 'carriage' },
          { says: text('shop-the-compound-alone'), value: 'top_slide' },
        ],
      },
    ],
  },
  stud: {
    title: text('shop-turns-first-gear'),
    how: text('shop-turns-spindle-stud'),
    fields: [{ kind: 'ratio', at: 'fixed_ratio', says: text('shop-ratio') }],
  },
  tumbler: {
    title: text('shop-the-tumbler'),
    how: text('shop-lever-turns-leadscrew'),
    fields: [
      {
        kind: 'choice',
        at: 'tumbler',
        says: text('shop-it-has'),
        choices: [
          { says: text('shop-both-ways-neutral'), value: ['right', 'left', 'neutral'] },
          { says: text('shop-both-ways'), value: ['right', 'left'] },
          { says: text('shop-right-hand-way'), value: ['right'] },
          { says: text('shop-left-hand-way'), value: ['left'] },
          { says: text('shop-there-is-none'), value: [] },
        ],
      },
    ],
  },
  mounted: {
    title: text('shop-on-the-lathe-now'),
    how: text('shop-tooth-counts-spindle'),
    fields: [
      { kind: 'teeth', at: 'mounted.drivers', says: text('shop-driving') },
      { kind: 'teeth', at: 'mounted.driven', says: text('shop-driven') },
    ],
  },
  arm: {
    title: text('shop-the-arm'),
    how: text('shop-measured-once-tells'),
    fields: [
      { kind: 'length', at: 'arm.stud_to_leadscrew_mm', says: text('shop-spindle-stud-to-leadscrew') },
      { kind: 'length', at: 'arm.slot_reach_mm.0', says: text('shop-nearest-stud-stands') },
      { kind: 'length', at: 'arm.slot_reach_mm.1', says: text('shop-farthest') },
      { kind: 'length', at: 'arm.shaft_radius_mm', says: text('shop-largest-boss-its-radius') },
      { kind: 'number', at: 'arm.studs', says: text('shop-studs-it-holds') },
      takes('arm.idlers_only', text('shop-arm-takes')),
      {
        kind: 'choice',
        at: 'max_compounds',
        says: text('shop-trains'),
        choices: [
          { says: text('shop-two-gears'), value: 0 },
          { says: text('shop-two-or-four'), value: 1 },
          { says: text('shop-up-to-six'), value: 2 },
        ],
      },
      { kind: 'number', at: 'bushes', says: text('shop-bushes') },
      { kind: 'text', at: 'more_arms.0.name', says: text('shop-other-arm') },
      { kind: 'length', at: 'more_arms.0.stud_to_leadscrew_mm', says: text('shop-other-arm-centers') },
      { kind: 'length', at: 'more_arms.0.slot_reach_mm.0', says: text('shop-other-arm-near') },
      { kind: 'length', at: 'more_arms.0.slot_reach_mm.1', says: text('shop-other-arm-far') },
      takes('more_arms.0.idlers_only', text('shop-other-arm-takes')),
    ],
  },
  dial: {
    title: text('shop-the-threading-dial'),
    how: text('shop-teeth-gear-each'),
    fields: [
      { kind: 'teeth', at: 'dial.teeth', says: text('shop-teeth') },
      { kind: 'number', at: 'dial.marks', says: text('shop-marks'), how: text('shop-left-out-many') },
    ],
  },
  cross_slide: {
    title: text('shop-the-cross-slides-dial'),
    how: text('shop-read-division-turn'),
    fields: slide('cross_slide'),
  },
  compound: {
    title: text('shop-the-compound'),
    how: text('shop-dial-travel-how'),
    fields: [
      ...slide('compound'),
      { kind: 'length', at: 'compound.travel_mm', says: text('shop-travel-of-slide') },
      { kind: 'number', at: 'compound.swing_deg.0', says: text('shop-swings-from-degrees') },
      { kind: 'number', at: 'compound.swing_deg.1', says: text('shop-to-degrees') },
      {
        kind: 'choice',
        at: 'compound.scale_zero',
        says: text('shop-scale-nought-slide'),
        choices: [
          { says: text('shop-along-the-cross-slide'), value: 'cross_slide' },
          { says: text('shop-along-the-bed'), value: 'bed' },
        ],
      },
    ],
  },
  speeds: {
    title: text('shop-spindle-speeds'),
    how: text('shop-each-step-plate'),
    fields: [{ kind: 'speeds', at: 'speeds_rpm', says: text('shop-turns-a-minute') }],
  },
  spindle: {
    title: text('shop-the-spindle'),
    how: text('shop-how-chuck-held'),
    fields: [
      {
        kind: 'choice',
        at: 'spindle.chuck',
        says: text('shop-the-chuck-is'),
        choices: [
          { says: text('shop-screwed-on'), value: 'screwed' },
          { says: text('shop-held-by-cams'), value: 'cam_lock' },
          { says: text('shop-bolted-on'), value: 'bolted' },
        ],
      },
      {
        kind: 'choice',
        at: 'drive',
        says: text('shop-it-is-turned-by'),
        choices: [
          { says: text('shop-a-motor'), value: 'motor' },
          { says: text('shop-a-belt-from-overhead'), value: 'belt' },
          { says: text('shop-a-treadle'), value: 'treadle' },
          { says: text('shop-hand-alone'), value: 'hand' },
        ],
      },
      yes('spindle.reverses', text('shop-it-reverses')),
      yes('spindle.clutch', text('shop-it-has-a-clutch')),
      yes('spindle.brake', text('shop-it-has-a-brake')),
      { kind: 'number', at: 'spindle.coast_turns', says: text('shop-turns-coasts-when') },
      { kind: 'number', at: 'spindle.coast_at_rpm', says: text('shop-from-which-speed-rpm') },
      { kind: 'number', at: 'spindle.motor_w', says: text('shop-motor-watts') },
    ],
  },
  post: {
    title: text('shop-the-tool-post'),
    how: '',
    fields: [
      {
        kind: 'choice',
        at: 'post',
        says: text('shop-it-stands'),
        choices: [
          { says: text('shop-at-the-front'), value: 'front' },
          { says: text('shop-at-the-rear'), value: 'rear' },
        ],
      },
    ],
  },
  stop: {
    title: text('shop-the-carriage-stop'),
    how: text('shop-fixed-stop-does'),
    fields: [
      {
        kind: 'choice',
        at: 'carriage_stop',
        says: text('shop-bed'),
        choices: [
          { says: text('page-none-within'), value: 'none' },
          { says: text('shop-a-fixed-block'), value: 'fixed' },
          { says: text('shop-one-throws-feed'), value: 'trips' },
        ],
      },
    ],
  },
  readout: {
    title: text('shop-the-digital-readout'),
    how: text('shop-nothing-told-none'),
    fields: [
      {
        kind: 'choice',
        at: 'readout.cross_slide',
        says: text('shop-reads-cross-slide'),
        choices: [
          { says: text('shop-travel'), value: 'radius' },
          { says: text('shop-diameter'), value: 'diameter' },
        ],
      },
      yes('readout.compound', text('shop-it-reads-the-compound')),
      yes('readout.carriage', text('shop-it-reads-the-carriage')),
      {
        kind: 'choice',
        at: 'readout.unit',
        says: text('shop-it-shows'),
        choices: [
          { says: text('shop-millimeters'), value: 'mm' },
          { says: text('shop-inches'), value: 'in' },
        ],
      },
      { kind: 'length', at: 'readout.resolution_mm', says: text('shop-its-last-place') },
    ],
  },
}));
