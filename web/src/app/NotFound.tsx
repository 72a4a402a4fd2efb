import { Link } from '@tanstack/react-router';
import { useEffect } from 'react';
import { Head } from './Head';

/** An address nothing lies at. */
export function NotFound() {
  useEffect(() => {
    document.title = 'Nothing here: Yoke Turn';
  }, []);
  return (
    <div className="shell">
      <Head>
        <h1 className="sentence">There is nothing at this address.</h1>
      </Head>
      <main className="lost">
        <p>It may have been typed wrong, or be of another version. Nothing was lost: every job is on the board.</p>
        <Link to="/" className="act as-link">
          To the job board
        </Link>
      </main>
    </div>
  );
}
