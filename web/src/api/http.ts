import createClient, { createFinalURL, createQuerySerializer, defaultPathSerializer } from 'openapi-fetch';
import type { paths } from './generated/schema';
import { reach } from './reach';

/** What the server says is wrong (RFC 9457), and what never reached it. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    detail: string,
    readonly errors: { field: string; code: string; message: string }[],
    readonly extra: Record<string, unknown>,
  ) {
    super(detail);
  }

  /** Nobody is signed in any more; what was being done can go on after signing in. */
  get isSignedOut() {
    return this.status === 401;
  }

  get isConflict() {
    return this.type === 'urn:undoknot:problem:changed-meanwhile';
  }

  get isOffline() {
    return this.status === 0;
  }
}

const listeners = new Set<() => void>();

/** How often somebody signed in on this page; what was asked before the last time says nothing of the session since. */
let signIns = 0;

/** Tells when the session ended while somebody was at work. */
export function onSignedOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function signedOut(askedAfter: number) {
  if (askedAfter === signIns) {
    listeners.forEach((listener) => listener());
  }
}

function csrfToken(): string {
  return /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '';
}

function offline(): Problem {
  return new Problem(
    0,
    'offline',
    'The server cannot be reached. Nothing is lost; send it again when it is back.',
    [],
    {},
  );
}

/**
 * Sends what the typed client has made; a lost connection and what the server says is wrong both come as a {@link Problem}.
 * Nothing is waited for before the first request leaves, so that a draft is still sent while the page goes away.
 */
async function send(request: Request): Promise<Response> {
  const spare = request.clone();
  const askedAfter = signIns;
  let response = await fetchOnce(request);
  if (response.status === 403 && request.method !== 'GET') {
    const problem = await read(response.clone());
    if (problem.type === 'urn:undoknot:problem:stale-page') {
      // The token of the page is from before the last sign-in; a read brings the new one.
      await fetchOnce(new Request(new URL('/api/session', request.url)));
      response = await fetchOnce(spare);
    }
  }
  if (!response.ok) {
    const problem = await read(response);
    if (problem.isSignedOut && new URL(request.url).pathname !== '/api/session') {
      signedOut(askedAfter);
    }
    throw problem;
  }
  if (isSignIn(request)) {
    signIns += 1;
  }
  return response;
}

/** By password, by PIN or with the first code. */
function isSignIn({ method, url }: Request): boolean {
  return method === 'POST' && new URL(url).pathname.startsWith('/api/session');
}

async function fetchOnce(request: Request): Promise<Response> {
  request.headers.set('Accept', 'application/json');
  if (request.method !== 'GET') {
    request.headers.set('X-XSRF-TOKEN', csrfToken());
  }
  let response: Response;
  try {
    response = await fetch(request);
  } catch {
    // A request that its own page gave up says nothing of the server.
    if (!request.signal.aborted) reach.noServer();
    throw offline();
  }
  if (response.status !== 503) reach.answered();
  else if ((await read(response.clone())).type === 'urn:undoknot:problem:record-out-of-reach')
    reach.noRecord();
  return response;
}

async function read(response: Response): Promise<Problem> {
  return problemOf(response.status, (await response.json().catch(() => ({}))) as Record<string, unknown>);
}

function problemOf(status: number, body: Record<string, unknown>): Problem {
  return new Problem(
    status,
    String(body.type ?? 'unknown'),
    String(body.detail ?? 'The server could not do this. Try again.'),
    (body.errors as Problem['errors']) ?? [],
    body,
  );
}

interface WithImage {
  requestBody?: { content: { 'multipart/form-data': { image: unknown } } };
  parameters: { path: Record<string, string>; query?: Record<string, string | number | undefined> };
}

/** The paths that take a picture. */
type ImagePath = { [P in keyof paths]: paths[P] extends { put: WithImage } ? P : never }[keyof paths];

type Answer<P extends ImagePath> = paths[P]['put']['responses'][200] extends {
  content: { 'application/json': infer Body };
}
  ? Body
  : undefined;

/**
 * Sends a picture and tells how far it is, 0 to 1. The one thing that fetch cannot do, so it goes another way; typed by
 * the same description.
 */
export function upload<P extends ImagePath>(
  path: P,
  params: Pick<paths[P]['put']['parameters'], 'path' | 'query'>,
  image: File,
  progress: (share: number) => void = () => undefined,
): Promise<Answer<P>> {
  const url = createFinalURL(path, {
    baseUrl: '',
    params: params as WithImage['parameters'],
    querySerializer: createQuerySerializer(),
    pathSerializer: defaultPathSerializer,
  });
  return sendImage('PUT', url, image, 'json', progress) as Promise<Answer<P>>;
}

/** Sends a scan to have it shown: what a browser cannot show by itself comes back as a picture. Nothing is stored. */
export function preview(image: File): Promise<Blob> {
  const path = '/api/scans/preview' satisfies keyof paths;
  return sendImage('POST', path, image, 'blob', () => undefined) as Promise<Blob>;
}

function sendImage(
  method: 'PUT' | 'POST',
  url: string,
  image: File,
  answer: 'json' | 'blob',
  progress: (share: number) => void,
): Promise<unknown> {
  const askedAfter = signIns;
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open(method, url);
    request.setRequestHeader(
      'Accept',
      answer === 'json' ? 'application/json' : 'image/jpeg, application/json',
    );
    request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
    request.responseType = answer;
    request.upload.onprogress = (event) => progress(event.lengthComputable ? event.loaded / event.total : 0);
    request.onerror = () => reject(offline());
    request.onload = () => {
      if (request.status >= 200 && request.status < 300) {
        resolve(request.response);
        return;
      }
      void bodyOf(request.response).then((body) => {
        const problem = problemOf(request.status, body);
        if (problem.isSignedOut) {
          signedOut(askedAfter);
        }
        reject(problem);
      });
    };
    const form = new FormData();
    form.append('image', image);
    request.send(form);
  });
}

/** A problem comes as JSON, in a blob when a picture was asked for. */
async function bodyOf(response: unknown): Promise<Record<string, unknown>> {
  if (!(response instanceof Blob)) {
    return (response ?? {}) as Record<string, unknown>;
  }
  try {
    return JSON.parse(await response.text()) as Record<string, unknown>;
  } catch {
    return {};
  }
}

/**
 * The server's interface, typed by its own description: a path, a parameter or a body that it does not know is an error of
 * the compiler.
 */
export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: send });

/** The answer of a call; what went wrong is thrown as a {@link Problem}. */
export async function answer<T>(call: Promise<{ data?: T }>): Promise<T> {
  return (await call).data as T;
}
