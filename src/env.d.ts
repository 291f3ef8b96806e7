/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    theme: 'daylight' | 'lamp';
  }
}
