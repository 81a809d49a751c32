import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** Browsers take none that lasts longer than 398 days. */
const DAYS = 390;
/** Made anew so long before it ends. */
const LEFT_MS = 30 * 86_400_000;

/** Every name and address this machine is reached by. */
export const addressesHere = () => [
  'localhost',
  os.hostname(),
  ...new Set(
    Object.values(os.networkInterfaces())
      .flat()
      .flatMap((one) => (one && !one.address.startsWith('fe80') ? [one.address] : [])),
  ),
];

/** Whether a certificate that was made before still names all of these, and lasts a while yet. */
export function isGood(pem, names, now = Date.now()) {
  try {
    const { subjectAltName = '', validTo } = new X509Certificate(pem);
    const named = subjectAltName.split(', ').map((one) => one.replace(/^(?:DNS|IP Address):/, '').toLowerCase());
    // Addresses of the newer kind are written out in full there.
    const isNamed = (name) => name.includes(':') || named.includes(name.toLowerCase());
    return names.every(isNamed) && Date.parse(validTo) - now > LEFT_MS;
  } catch {
    return false;
  }
}

/**
 * A certificate for this machine in the data folder, made when there is none or it is out of date. Nobody has signed
 * it: a browser asks once whether to trust it.
 * @returns {Promise<{ key: string, cert: string }>} where its two files are
 */
export async function ensureCertificate(data, { user, names = addressesHere() } = {}) {
  const folder = path.join(data, 'tls');
  const [key, cert] = [path.join(folder, 'key.pem'), path.join(folder, 'certificate.pem')];
  const isThere = fs.existsSync(key) && fs.existsSync(cert);
  if (!isThere || !isGood(fs.readFileSync(cert, 'utf8'), names)) {
    const { generate } = await import('selfsigned');
    const made = await generate([{ name: 'commonName', value: 'Mochila' }], {
      keyType: 'ec',
      algorithm: 'sha256',
      notAfterDate: new Date(Date.now() + DAYS * 86_400_000),
      extensions: [
        { name: 'basicConstraints', cA: false },
        { name: 'keyUsage', digitalSignature: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: names.map((name) => (/^[\d.]+$|:/.test(name) ? { type: 7, ip: name } : { type: 2, value: name })),
        },
      ],
    });
    fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
    fs.writeFileSync(key, made.private, { mode: 0o600 });
    fs.writeFileSync(cert, made.cert);
  }
  // The server that reads the key may be another user than the one that made it.
  if (user) for (const one of [folder, key, cert]) fs.chownSync(one, user.uid, user.gid);
  return { key, cert };
}
