/** A unit of a course, by the titles of its exercises. */
export interface UnitPlan {
  readonly name: string;
  readonly about: string;
  readonly titles: readonly string[];
  /** Whether it opens only when the unit before it is flashed. */
  readonly waits?: true;
}

export const FIRST_WATCH = {
  name: 'First watch',
  about: 'From the first turn round a buoy to an inspection by oneself: twelve units, about a week each.',
};

export const FIRST_WATCH_UNITS: readonly UnitPlan[] = [
  {
    name: 'Round the buoy',
    about: 'Go round a thing and look at it from where you want. **Nothing you do here breaks anything.**',
    titles: ['Round to the ladder', 'Behind and above'],
  },
  { name: 'Along and nearer', about: 'Slide the view, and come nearer to what you look at.', titles: ['Make room', 'Up to the lantern'] },
  { name: 'Lost and found', about: 'Everybody loses the model. What counts is the way home.', titles: ['Lost at sea'] },
  { name: 'Sides and pivots', about: 'Six sides by name, and turning about a point of your own.', titles: ['Call the sides', 'About the bell'] },
  {
    name: 'The lens',
    about: 'Fill the frame, take the perspective away, look through.',
    titles: ['Fill the frame with a panel', 'Flat as a drawing', 'Through the roof'],
  },
  { name: 'Cuts', about: 'What lies inside is shown by a section through the right place.', titles: ['Down to the gear train', 'Show the escape wheel'] },
  { name: 'Square on', about: 'Straight at a face that is not straight itself.', titles: ['Square on the lid', 'Plate, then prism'] },
  { name: 'In the lantern room', about: 'The same, where there is less room.', titles: ['Frame the lantern room', 'Square on the roof'] },
  { name: 'The tower', about: 'From the whole tower to one bolt, and out again.', titles: ['From the tower to one bolt', 'Out of the weight tube'] },
  { name: 'On foot', about: 'Stand on a floor, at the height of an eye.', titles: ['Up to the living room', 'Eye to the log book'] },
  { name: 'By heart', about: 'Without thinking of the hand.', titles: ['Head down in the drive', 'Hands on call', 'Square views by heart'], waits: true },
  {
    name: 'Inspection',
    about: 'What the station needs you for: find it, see all of it, measure it, say which way it faces.',
    titles: [
      'Inspect the whole buoy',
      'Crack in the turntable',
      'A crate for the drive',
      'Rings of the optic',
      'Left behind by the fitter',
      'Name the wheels',
      'Which side is on the photograph',
      'Through the spy-glass',
    ],
    waits: true,
  },
];

export const ROUNDS = { name: "The inspector's rounds", about: 'For those who have the first watch behind them: three rounds of a fortnight.' };

export const ROUNDS_UNITS: readonly UnitPlan[] = [
  {
    name: 'By eye',
    about: 'See all of it, and find what does not belong there.',
    titles: ['Inspect the whole buoy', 'Crack in the turntable', 'Left behind by the fitter'],
  },
  { name: 'By number', about: 'What a crate or a new ring has to fit.', titles: ['A crate for the drive', 'Rings of the optic'] },
  { name: 'By photograph', about: 'Which way, and from where.', titles: ['Which side is on the photograph', 'Through the spy-glass', 'Name the wheels'] },
];
