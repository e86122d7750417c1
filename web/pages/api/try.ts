import { tryOut } from '@server/services/attempts';
import { staffEndpoint } from '@web/http/answer';
import { MOST, readBytes } from '@web/http/body';

export const POST = staffEndpoint(async (who, { request }) => tryOut(who, await readBytes(request, MOST.handIn + MOST.draft)));
