import { Hono } from 'hono';
import { secureHeaders } from 'hono/secure-headers';
import QRCode from 'qrcode';

import { knownHost, ownHosts } from './guard';

interface WelcomeOptions {
  /** where the application is, over https */
  address: string;
  /** PEM of what phones have to trust */
  root: string;
  fingerprint: string;
  hosts?: readonly string[];
}

/** What somebody reads who scans the code: in the two languages of the application. */
const texts = {
  en: {
    title: 'Northcove on this phone',
    lead: 'Once per phone, so that it can be installed, works without the network, and may use the camera.',
    steps: [
      'Load the certificate of this shop and open it.',
      'Trust it: on most phones under Settings, security, certificates of one’s own. Compare the fingerprint.',
      'Open Northcove and put it on the home screen.',
    ],
    load: 'Load the certificate',
    open: 'Open Northcove',
    same: 'Fingerprint (SHA-256)',
    why: 'Trust it on devices of this shop only. Whoever has the private folder of this server could show itself as this shop to them.',
  },
  es: {
    title: 'Northcove en este teléfono',
    lead: 'Una vez por teléfono, para que se pueda instalar, funcione sin red y use la cámara.',
    steps: [
      'Cargar el certificado de este taller y abrirlo.',
      'Confiar en él: en casi todos los teléfonos, en Ajustes, seguridad, certificados propios. Comparar la huella.',
      'Abrir Northcove y ponerlo en la pantalla de inicio.',
    ],
    load: 'Cargar el certificado',
    open: 'Abrir Northcove',
    same: 'Huella (SHA-256)',
    why: 'Confiar solo en aparatos de este taller. Quien tenga la carpeta privada de este servidor podría hacerse pasar por el taller ante ellos.',
  },
} as const;

const escaped = (s: string) => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const style = `body{font:17px/1.45 system-ui,sans-serif;background:#f4f1e8;color:#14283a;margin:0;padding:24px;max-width:34rem}
h1{font-size:24px;margin:0 0 8px}a{display:block;padding:16px;margin:12px 0;border:1.5px solid #14283a;border-radius:6px;color:#14283a;text-align:center;font-weight:700;text-decoration:none;background:#fdfcf6}
a.main{background:#14283a;color:#fdfcf6}code{font-size:14px;overflow-wrap:anywhere}svg{width:220px;height:220px;display:block;margin:12px 0;background:#fff}
@media(prefers-color-scheme:dark){body{background:#0d1720;color:#ecefec}a{border-color:#ecefec;color:#ecefec;background:#152531}a.main{background:#ecefec;color:#14283a}}`;

/**
 * A page over plain http, for phones that do not trust this shop yet: its certificate, how to trust it, and where to go then. It
 * serves nothing of the shop itself.
 */
export function welcomeApp({ address, root, fingerprint, hosts }: WelcomeOptions): Hono {
  const app = new Hono();
  app.use(knownHost(ownHosts(hosts)));
  app.use(
    secureHeaders({
      contentSecurityPolicy: { defaultSrc: ["'none'"], styleSrc: ["'unsafe-inline'"], frameAncestors: ["'none'"] },
      strictTransportSecurity: false,
      referrerPolicy: 'no-referrer',
    }),
  );
  app.get('/root.crt', (c) =>
    c.body(root, 200, {
      'Content-Type': 'application/x-x509-ca-cert',
      'Content-Disposition': 'attachment; filename="northcove-root.crt"',
      'Cache-Control': 'no-store',
    }),
  );
  app.get('/', async (c) => {
    const lang = /^es\b/i.test(c.req.header('accept-language') ?? '') ? 'es' : 'en';
    const t = texts[lang];
    const code = await QRCode.toString(`http://${c.req.header('host') ?? ''}/`, { type: 'svg', margin: 1 });
    return c.html(`<!doctype html><html lang="${lang}"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${t.title}</title><style>${style}</style><main><h1>${t.title}</h1><p>${t.lead}</p>
<ol>${t.steps.map((s) => `<li>${s}</li>`).join('')}</ol>
<a href="/root.crt">${t.load}</a><a class="main" href="${escaped(address)}">${t.open}</a>
<p>${t.same}<br><code>${fingerprint}</code></p><p>${t.why}</p>${code}</main></html>`);
  });
  app.all('*', (c) => c.text('not found', 404));
  return app;
}
