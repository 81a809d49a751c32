import { calendarAt } from '@/server/calendar';

/** The calendar at an address: whoever has it reads, until it is taken back. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const calendar = await calendarAt(token.replace(/\.ics$/, ''), new Date());
  if (!calendar) return Response.json({ say: 'There is no calendar at this address any more.' }, { status: 404 });
  return new Response(calendar, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'inline; filename="lessons.ics"',
      'cache-control': 'private, max-age=300',
    },
  });
}
