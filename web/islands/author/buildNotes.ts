import type { FirstNote } from '@web/ui/FirstNotes';

/** What somebody who builds for the first time is told. */
export const BUILD_NOTES: readonly FirstNote[] = [
  {
    place: 'stage',
    side: 'top',
    title: 'Show it, and it is recorded',
    words: 'Bring the stage to where the exercise begins and press “Set start from this view”. Then bring it to what a trainee should reach.',
  },
  {
    place: 'steps',
    side: 'top',
    title: 'The exercise is this row',
    words: '“Add a step” makes the view on the stage its target. Press a picture to set what is asked there and how it is judged; drag it to another place.',
  },
  {
    place: 'publish',
    side: 'top',
    title: 'Try it, publish it, give it',
    words:
      'The list says what is still missing. Trainees see nothing before you publish, and what they have stays as it is until you give them the next version.',
  },
];
