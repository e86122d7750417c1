import { skillOpened } from '@server/services/progress';
import { serve } from '@web/http/serve';

export const GET = serve('personSkill', async (who, { params }) => {
  const { tries, losses } = await skillOpened(who, params.id, params.skill);
  return {
    tries: tries.map(({ attemptId, exerciseId, title, family, at, score, seconds, difficulty, helped }) => ({
      attemptId,
      exerciseId,
      title,
      family,
      at: at.getTime(),
      score,
      seconds,
      difficulty,
      helped,
    })),
    losses: [...losses],
  };
});
