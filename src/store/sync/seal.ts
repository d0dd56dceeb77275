// What devices of one shop say to each other is sealed with keys that the server never has: AES-GCM (NIST SP 800-38D), keys
// derived by HKDF (RFC 5869), agreed by ECDH on P-256 (NIST SP 800-56A), all by the browser's own cryptography.
import { textOf } from '@/work/sync/sharedDoc';

type Bytes = Uint8Array<ArrayBuffer>;

const utf8 = (s: string): Bytes => new TextEncoder().encode(s) as Bytes;
export const base64 = (b: Uint8Array): string => textOf(b);
export const fromBase64 = (s: string): Bytes => Uint8Array.from(atob(s), (c) => c.charCodeAt(0)) as Bytes;
/** The same in letters that an address may hold. */
export const addressed = (b: Uint8Array): string =>
  base64(b).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
/** @throws when it is none */
export const fromAddress = (s: string): Bytes => fromBase64(s.replaceAll('-', '+').replaceAll('_', '/'));

/** A page that was not served securely has no cryptography, and joins nobody. */
export const canSeal = (): boolean => globalThis.crypto?.subtle !== undefined;

export const randomBytes = (n: number): Bytes => crypto.getRandomValues(new Uint8Array(n)) as Bytes;

/** Room and key of a secret: who has the secret finds the room and reads what is said there. */
export interface RoomKey {
  room: string;
  key: CryptoKey;
}

const hkdf = (what: string) => ({ name: 'HKDF', hash: 'SHA-256', salt: new Uint8Array(), info: utf8(what) });

export async function roomKey(secret: Bytes): Promise<RoomKey> {
  const base = await crypto.subtle.importKey('raw', secret, 'HKDF', false, ['deriveBits', 'deriveKey']);
  const room = await crypto.subtle.deriveBits(hkdf('northcove room'), base, 256);
  const key = await crypto.subtle.deriveKey(hkdf('northcove seal'), base, { name: 'AES-GCM', length: 256 }, false, [
    'encrypt',
    'decrypt',
  ]);
  return { room: addressed(new Uint8Array(room)), key };
}

const ivBytes = 12;

/** @param about who says it to whom: a message that is shown to another one does not open */
export async function seal(key: CryptoKey, data: Bytes, about: string): Promise<Bytes> {
  const iv = randomBytes(ivBytes);
  const sealed = await crypto.subtle.encrypt({ name: 'AES-GCM', iv, additionalData: utf8(about) }, key, data);
  const out = new Uint8Array(ivBytes + sealed.byteLength) as Bytes;
  out.set(iv);
  out.set(new Uint8Array(sealed), ivBytes);
  return out;
}

/** @throws when it was sealed with another key, for somebody else, or changed on the way */
export async function unseal(key: CryptoKey, sealed: Bytes, about: string): Promise<Bytes> {
  const iv = sealed.slice(0, ivBytes);
  const open = await crypto.subtle.decrypt(
    { name: 'AES-GCM', iv, additionalData: utf8(about) },
    key,
    sealed.slice(ivBytes),
  );
  return new Uint8Array(open) as Bytes;
}

const curve = { name: 'ECDH', namedCurve: 'P-256' };

/** A pair of keys of this device, as texts to keep. */
export async function ownPair(): Promise<{ open: string; secret: string }> {
  const pair = await crypto.subtle.generateKey(curve, true, ['deriveBits']);
  const open = base64(new Uint8Array(await crypto.subtle.exportKey('raw', pair.publicKey)));
  const secret = base64(new Uint8Array(await crypto.subtle.exportKey('pkcs8', pair.privateKey)));
  return { open, secret };
}

/** The key that only these two have. @throws when one of them is no key */
export async function between(secret: string, open: string): Promise<CryptoKey> {
  const [mine, theirs] = await Promise.all([
    crypto.subtle.importKey('pkcs8', fromBase64(secret), curve, false, ['deriveBits']),
    crypto.subtle.importKey('raw', fromBase64(open), curve, false, []),
  ]);
  const bits = await crypto.subtle.deriveBits({ name: 'ECDH', public: theirs }, mine, 256);
  return (await roomKey(new Uint8Array(bits) as Bytes)).key;
}

/** Four digits that two screens show, to be compared: another device between them would make them differ. */
export async function digitsOf(parts: readonly string[]): Promise<string> {
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', utf8(parts.join('|'))));
  return String(((hash[0]! << 16) | (hash[1]! << 8) | hash[2]!) % 10_000).padStart(4, '0');
}

/** Most that a message may be when it is unpacked, bytes: more is no message of ours. */
const mostBytes = 12_000_000;

export async function packed(text: string): Promise<Bytes> {
  const stream = new Blob([text]).stream().pipeThrough(new CompressionStream('gzip'));
  return new Uint8Array(await new Response(stream).arrayBuffer()) as Bytes;
}

/** @throws when it is not packed, or too large */
export async function unpacked(data: Bytes): Promise<string> {
  const reader = new Blob([data]).stream().pipeThrough(new DecompressionStream('gzip')).getReader();
  const parts: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > mostBytes) {
      await reader.cancel();
      throw new Error('larger than any message');
    }
    parts.push(value);
  }
  return new TextDecoder().decode(await new Blob(parts as Bytes[]).arrayBuffer());
}
