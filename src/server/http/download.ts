import { fileName } from '../text/fileName';

/** A file for the browser to save; characters that a file name cannot hold are left out. */
export function download(content: string | Uint8Array<ArrayBuffer>, name: string, type: string): Response {
  const safe = fileName(name);
  return new Response(content, {
    headers: {
      'content-type': typeof content === 'string' ? `${type}; charset=utf-8` : type,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(safe)}`,
      'cache-control': 'no-store',
    },
  });
}
