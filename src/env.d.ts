/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    theme: 'light' | 'dark' | null;
  }
}
