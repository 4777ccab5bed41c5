// Security headers for every page: scripts only with this request's nonce, nothing from or to any other host. Answers of the API are
// data, and run nothing.
import { type NextRequest, NextResponse } from 'next/server'

const DATA_POLICY = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'"

export function proxy(request: NextRequest): NextResponse {
  if (request.nextUrl.pathname.startsWith('/api/')) {
    const answer = isReadable(request.nextUrl.pathname)
      ? NextResponse.next()
      : NextResponse.json({ refused: ['the address is not readable: after each % there must be two hexadecimal digits, in UTF-8'] }, { status: 400 })
    answer.headers.set('content-security-policy', DATA_POLICY)
    return answer
  }
  const nonce = btoa(crypto.randomUUID())
  const development = process.env.NODE_ENV === 'development'
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    // Radix places floating parts by style attributes, which cannot carry a nonce.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "worker-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
  const requestHeaders = new Headers(request.headers)
  requestHeaders.set('x-nonce', nonce)
  requestHeaders.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers: requestHeaders } })
  response.headers.set('content-security-policy', policy)
  return response
}

function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch (error) {
    if (error instanceof URIError) return false
    throw error
  }
}

export const config = { matcher: [{ source: '/((?!_next/static|_next/image|workers|favicon.ico).*)' }] }
