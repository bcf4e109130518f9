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

/** Tells when the session ended while somebody was at work. */
export function onSignedOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
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

async function send(method: string, path: string, body: unknown, keepalive: boolean): Promise<Response> {
  try {
    return await fetch(path, {
      method,
      keepalive,
      headers: {
        Accept: 'application/json',
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': csrfToken() }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw offline();
  }
}

async function request<T>(method: string, path: string, body?: unknown, keepalive = false): Promise<T> {
  let response = await send(method, path, body, keepalive);
  if (response.status === 403 && method !== 'GET') {
    const problem = await read(response.clone());
    if (problem.type === 'urn:undoknot:problem:stale-page') {
      // The token of the page is from before the last sign-in; a read brings the new one.
      await send('GET', '/api/session', undefined, false);
      response = await send(method, path, body, keepalive);
    }
  }
  if (!response.ok) {
    const problem = await read(response);
    if (problem.isSignedOut && path !== '/api/session') {
      listeners.forEach((listener) => listener());
    }
    throw problem;
  }
  return (response.status === 204 ? undefined : await response.json()) as T;
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

/**
 * Sends a form with a file and tells how far it is, 0 to 1. The one thing that fetch cannot do, so it goes another way.
 */
export function upload<T>(path: string, form: FormData, progress: (share: number) => void): Promise<T> {
  return sendForm('PUT', path, form, 'json', progress) as Promise<T>;
}

/** Sends a scan to have it shown: what a browser cannot show by itself comes back as a picture. Nothing is stored. */
export function preview(image: File): Promise<Blob> {
  const form = new FormData();
  form.append('image', image);
  return sendForm('POST', '/api/scans/preview', form, 'blob', () => undefined) as Promise<Blob>;
}

function sendForm(
  method: 'PUT' | 'POST',
  path: string,
  form: FormData,
  answer: 'json' | 'blob',
  progress: (share: number) => void,
): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open(method, path);
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
          listeners.forEach((listener) => listener());
        }
        reject(problem);
      });
    };
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

export const http = {
  get: <T>(path: string) => request<T>('GET', path),
  put: <T>(path: string, body: unknown, keepalive = false) => request<T>('PUT', path, body, keepalive),
  post: <T>(path: string, body: unknown) => request<T>('POST', path, body),
  delete: (path: string) => request<void>('DELETE', path),
};
