/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** Who is signed in, if anyone. */
    who: import('@server/service').Person | null;
    token: string | null;
    service: import('@server/service').Service;
  }
}
