import type { Carrier } from './api';

/** Carries a small request to its end, also where the page that sends it goes. */
export const lasting: Carrier = (url, sent) => fetch(url, { ...sent, keepalive: true });

/** Carries a large request, and tells how much of it is sent, 0 … 1: `fetch` does not tell that. */
export const telling =
  (tell: (share: number) => void): Carrier =>
  (url, { method = 'GET', body }) =>
    new Promise((resolve, reject) => {
      const request = new XMLHttpRequest();
      request.open(method, url);
      request.upload.onprogress = ({ loaded, total, lengthComputable }) => lengthComputable && tell(loaded / total);
      request.upload.onload = () => tell(1);
      request.onload = () => resolve(new Response(request.responseText, { status: request.status }));
      for (const failed of ['error', 'abort', 'timeout'] as const) request.addEventListener(failed, () => reject(new Error('The request did not arrive.')));
      request.send(body as XMLHttpRequestBodyInit | null);
    });
