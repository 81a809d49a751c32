import { Busy } from '@/server/busy';
import { canMakePdf, pagePdf } from '@/server/pdf';
import { person, sessionCookie } from '@/server/session';
import { fileAnswer } from '../fileAnswer';

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** Only sheets are printed here, with what their address asks. */
const SHEET = /^\/handout\/(?:blank|[0-9a-f-]{36}|lesson\/[0-9a-f-]{36})(?:\?[\w\-.~%&=+/]{0,1500})?$/;

/** A handout as PDF, made by the browser of this machine, as whoever asks would print it. */
export async function GET(request: Request): Promise<Response> {
  const [who, session] = await Promise.all([person(), sessionCookie()]);
  if (!who || !session) return refused(401, 'You are signed out. Sign in again.');
  const asked = new URL(request.url);
  const page = asked.searchParams.get('page') ?? '';
  if (!SHEET.test(page)) return refused(404, 'There is no such sheet.');
  if (!canMakePdf())
    return refused(501, 'No browser is here that makes PDFs. Print it from your own, and save it as PDF.');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host') ?? asked.host;
  const scheme = request.headers.get('x-forwarded-proto') ?? asked.protocol.replace(':', '');
  try {
    const printed = await pagePdf(page, session, `${scheme}://${host}`);
    if (!printed) return refused(404, 'There is no such sheet.');
    return fileAnswer(printed.pdf, printed.title.replace(/ · Mochila$/, ''), {
      ending: 'pdf',
      type: 'application/pdf',
    });
  } catch (error) {
    if (error instanceof Busy) return refused(503, error.message);
    console.error('A handout could not be printed:', error);
    return refused(500, 'This could not be printed here. Print it from your own browser.');
  }
}
