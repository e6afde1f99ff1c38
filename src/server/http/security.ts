/** The headers that tell a browser what pages of this server may do. */

/** With every answer, files of the application included. */
export const ANSWER_HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
};

/** Tells pages their own address; set on every request, whatever the client wrote there. */
export const PATH_HEADER = 'x-wobrel-path';

/**
 * Content Security Policy (W3C CSP 3) of a page: scripts only by this answer's nonce and
 * what those load, everything else from this server. Styles in attributes are allowed:
 * places and sizes that are worked out go there.
 */
export const pagePolicy = (nonce: string, isDevelopment: boolean): string =>
  [
    "default-src 'none'",
    `script-src 'nonce-${nonce}' 'strict-dynamic'${isDevelopment ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
