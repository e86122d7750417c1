/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** Who is signed in, if anyone. */
    who: import('@server/service').Person | null;
    token: string | null;
    service: import('@server/service').Service;
    /** Of this request, as the log and an error name it. */
    requestId: string;
  }
}
