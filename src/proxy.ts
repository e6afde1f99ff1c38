/** Pages are only shown under names this server knows; routes below /api guard themselves. */
import { NextResponse, type NextRequest } from 'next/server';
import { guard } from '@/server/http';

export function proxy(request: NextRequest) {
  try {
    guard(request.headers, request.method);
  } catch (error) {
    return new NextResponse((error as Error).message, { status: 403 });
  }
  return NextResponse.next();
}

// Uploads must not pass here: a proxied body is cut at 10 MB.
export const config = { matcher: ['/((?!api/|_next/).*)'] };
