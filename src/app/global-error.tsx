'use client';

/** When not even the frame of all pages can be drawn. It needs nothing but itself. */
export default function GlobalError({ reset }: { reset: () => void }) {
  return (
    <html lang="en">
      <body
        style={{
          margin: 0,
          padding: '4rem 1.5rem',
          font: '17px/1.55 system-ui, sans-serif',
          colorScheme: 'light dark',
        }}
      >
        <main style={{ maxWidth: '30rem', margin: '0 auto' }}>
          <h1 style={{ fontSize: '1.7rem', margin: '0 0 .5rem' }}>That did not work</h1>
          <p>
            Nothing that was kept is lost, and takes that were not sent yet wait in this browser. Try again in a moment.
          </p>
          <button type="button" onClick={reset} style={{ font: 'inherit', padding: '.5rem 1rem' }}>
            Try again
          </button>
        </main>
      </body>
    </html>
  );
}
