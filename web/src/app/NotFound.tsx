import { Link } from '@tanstack/react-router';
import { useEffect } from 'react';
import { Head } from './Head';
import { text } from './voice';

/** An address nothing lies at. */
export function NotFound() {
  useEffect(() => {
    document.title = text('frame-nothing-here-yoke-turn');
  }, []);
  return (
    <div className="shell">
      <Head>
        <h1 className="sentence">{text('frame-nothing-address')}</h1>
      </Head>
      <main className="lost">
        <p>{text('frame-may-have-been')}</p>
        <Link to="/" className="act as-link">
          {text('lathe-job-board')}
        </Link>
      </main>
    </div>
  );
}
