import type { Notice } from '@server/repositories/notices';
import type { NoticeLine } from '@web/islands/kept/Notices';

/** What one is told, as a page hands it on. */
export const noticeLines = (notices: readonly Notice[]): NoticeLine[] => notices.map(({ id, words, from }) => ({ id, words, from: from?.name ?? null }));
