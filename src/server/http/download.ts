/** A file for the browser to save; characters that a file name cannot hold are left out. */
export function download(text: string, name: string, type: string): Response {
  const safe = name.replaceAll(/[^\p{L}\p{N} ._-]/gu, '').trim() || 'neat-relay';
  return new Response(text, {
    headers: {
      'content-type': `${type}; charset=utf-8`,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(safe)}`,
      'cache-control': 'no-store',
    },
  });
}
