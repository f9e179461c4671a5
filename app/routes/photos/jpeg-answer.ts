/** A picture: it never changes under its id, but it is for signed-in people of one workshop only. */
export const jpegAnswer = (jpeg: Buffer): Response =>
  new Response(new Uint8Array(jpeg), {
    headers: {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'private, max-age=604800, immutable',
      'X-Content-Type-Options': 'nosniff',
    },
  });
