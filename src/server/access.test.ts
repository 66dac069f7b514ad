import { describe, expect, it } from 'vitest';

import { OWN_HEADER } from '@/protocol';
import { accessOf, notJson, refusalOf } from './access';

const access = accessOf({ PORT: '4310', CYCLOGON_HOSTS: 'shelf.example, Other.example' });
const asked = (method: string, headers: Record<string, string>): string | null =>
  refusalOf(method, new Headers(headers), access);
const own = { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310', [OWN_HEADER]: '1' };

describe('Who may ask', () => {
  it('is a page of this server, by any name of this machine or of the settings', () => {
    for (const host of [
      '127.0.0.1:4310',
      'localhost:4310',
      '[::1]:4310',
      'shelf.example',
      'other.example:8080',
    ]) {
      expect(asked('GET', { host }), host).toBeNull();
      expect(asked('DELETE', { host, origin: `http://${host}`, [OWN_HEADER]: '1' }), host).toBeNull();
    }
  });

  it('is nobody at another port, another name, or a name that only looks like one', () => {
    const hosts = [
      '',
      '127.0.0.1',
      '127.0.0.1:4311',
      'rebound.example:4310',
      '127.0.0.1.rebound.example:4310',
    ];
    for (const host of [...hosts, 'a@127.0.0.1:4310', '127.0.0.1:4310/x', 'localhost:4310#', '0.0.0.0:4310'])
      expect(asked('GET', { host }), host).toMatch(/not one/);
  });

  it('is no page of another origin, another port of the same machine counted', () => {
    for (const origin of ['http://127.0.0.1:4311', 'http://localhost:4310', 'https://evil.example', 'null'])
      expect(asked('DELETE', { ...own, origin }), origin).toMatch(/Only pages/);
    for (const site of ['cross-site', 'same-site'])
      expect(asked('GET', { host: own.host, 'sec-fetch-site': site }), site).toMatch(/Only pages/);
    expect(asked('GET', { host: own.host, 'sec-fetch-site': 'none' })).toBeNull();
  });

  it('changes things only with a header of ours, as JSON', () => {
    expect(asked('POST', { host: own.host })).toMatch(OWN_HEADER);
    expect(asked('POST', own)).toBeNull();
    expect(notJson(new Headers({ 'content-type': 'application/json; charset=utf-8' }))).toBeNull();
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'application/jsonp'])
      expect(notJson(new Headers({ 'content-type': type })), type).toMatch(/json/);
  });
});
