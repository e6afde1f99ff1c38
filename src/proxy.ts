/** Pages are only shown under names this server knows, and with a policy of their own; routes below /api guard themselves. */
import { NextResponse, type NextRequest } from 'next/server';
import { guard, pagePolicy, PATH_HEADER } from '@/server/http';

export function proxy(request: NextRequest) {
  try {
    guard(request.headers, request.method);
  } catch (error) {
    return new NextResponse((error as Error).message, { status: 403 });
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = pagePolicy(nonce, process.env.NODE_ENV === 'development');
  // Next.js takes the nonce for its own scripts from the request's policy.
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  headers.set(PATH_HEADER, request.nextUrl.pathname + request.nextUrl.search);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}

// Uploads must not pass here: a proxied body is cut at 10 MB.
export const config = { matcher: ['/((?!api/|_next/).*)'] };
