/** Components in the browser with the house around them: its keys, its finder, its toasts, and a server that is made up. */
import type { Component } from 'svelte';
import { vi } from 'vitest';
import { page } from 'vitest/browser';
import { render } from 'vitest-browser-svelte';
import '../styles/tokens.css';
import '../styles/base.css';
import { toasts } from '../components/toasts.svelte.js';
import InHouse from './InHouse.svelte';
import { begin } from './navigation.js';

/** A request that was sent, as the server would have seen it. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** A server that gives the same answer to everything, and what it was asked. */
export interface MadeUpServer {
  readonly asked: Asked[];
  /** What it answers from now on. */
  answer: (asked: Asked) => Response | Promise<Response>;
}

/** A browser as one finds it in the morning, and a server to it. */
export async function freshStart(): Promise<MadeUpServer> {
  await page.viewport(1280, 800);
  localStorage.clear();
  begin();
  toasts.list = [];
  const server: MadeUpServer = { asked: [], answer: () => Response.json({}) };
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    const asked: Asked = {
      method: init.method ?? 'GET',
      path,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : null,
    };
    server.asked.push(asked);
    return Promise.resolve(server.answer(asked));
  });
  return server;
}

/** An answer that says what is wrong. */
export function refusal(message: string, status = 503): Response {
  return Response.json({ message }, { status });
}

/** Draws a component inside the house. */
export function renderInHouse<Props extends Record<string, unknown>>(inside: Component<Props>, given: Props) {
  return render(InHouse as Component<{ inside: Component<Props>; given: Props }>, { inside, given });
}
