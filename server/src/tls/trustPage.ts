import { X509Certificate } from 'node:crypto';
import type { RequestListener } from 'node:http';
import { fingerprintOf } from './ownAuthority';

const [CERTIFICATE_PATH, STYLE_PATH] = ['/warm-jar-authority.crt', '/trust.css'];
const STYLE = `
body { font: 18px/1.5 system-ui, sans-serif; color: #14211d; background: #f7f5ef; margin: 0 auto; padding: 24px; max-width: 40rem; }
a.do { display: inline-block; padding: 14px 20px; background: #17584a; color: #fff; border-radius: 8px; text-decoration: none; font-weight: 700; }
li { margin: 12px 0; }
code { overflow-wrap: anywhere; }
`;

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The steps that make a tablet or phone take the studio's own certificate. No script, no style from elsewhere. */
function page(authority: string, address: string): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Let this device trust the studio</title>
<link rel="stylesheet" href="${STYLE_PATH}">
</head>
<body>
<h1>Let this device trust the studio</h1>
<p>Warm Jar speaks to this device by its own certificate. Once the device trusts it, the camera, notices and a screen
that stays awake work too. Do this once on each tablet, phone and computer.</p>
<ol>
<li><a class="do" href="${CERTIFICATE_PATH}" download>Fetch the certificate</a></li>
<li>Open what was fetched. Where the device asks what it is for, choose <b>CA certificate</b>, or
<b>identify websites</b>.</li>
<li>On a tablet or phone whose settings now show <b>Profile downloaded</b>: install it there. Then, under
<b>General, About, Certificate trust</b>, switch it on.<br>
On others: <b>Settings, Security, More, Install a certificate, CA certificate</b>.<br>
On a computer: open it with the system's or the browser's <b>certificates</b>, and put it among the
<b>authorities</b>.</li>
<li>Compare, before you say yes. The server said these figures when it was started, and <i>People and devices</i>
shows them on a device that trusts it already:<br>
<code>${fingerprintOf(authority)}</code></li>
<li>Close the browser, open it again, and go to <a href="${escaped(address)}">${escaped(address)}</a>.</li>
</ol>
<p>It lets this device trust whatever the studio's own computer signs. Take it off a device that leaves the studio.</p>
</body>
</html>
`;
}

/** Hands out the certificate of the studio's own authority, and how to install it; all else is sent to the studio. */
export function trustPage(authority: string, address: (host: string) => string): RequestListener {
  const certificate = new X509Certificate(authority).raw;
  return (request, response) => {
    const host = (request.headers.host ?? '').replace(/:\d+$/, '');
    const to = address(host);
    const path = (request.url ?? '/').split('?')[0];
    if (path === CERTIFICATE_PATH) {
      response
        .writeHead(200, {
          'Content-Type': 'application/x-x509-ca-cert',
          'Content-Disposition': 'attachment; filename="warm-jar-authority.crt"',
          'X-Content-Type-Options': 'nosniff',
        })
        .end(certificate);
    } else if (path === STYLE_PATH) {
      response.writeHead(200, { 'Content-Type': 'text/css; charset=utf-8' }).end(STYLE);
    } else if (path === '/trust') {
      response
        .writeHead(200, {
          'Content-Type': 'text/html; charset=utf-8',
          'Content-Security-Policy': "default-src 'none'; style-src 'self'; form-action 'none'; base-uri 'none'",
          'X-Content-Type-Options': 'nosniff',
        })
        .end(page(authority, to));
    } else {
      const location = path === '/' ? '/trust' : `${to}${request.url ?? ''}`;
      response.writeHead(302, { Location: location }).end();
    }
  };
}
