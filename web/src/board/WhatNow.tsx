import { Link } from '@tanstack/react-router';
import type { useDay } from '../api/hooks';
import { text } from '../app/voice';

type Now = NonNullable<NonNullable<ReturnType<typeof useDay>['data']>['now']>;

/** What is done now, and the way to it. */
export function WhatNow({ now }: { now: Now }) {
  return (
    <p className="what-now">
      <b>{text('board-what-now')}</b>{' '}
      <Link
        className="word"
        to={now.begun ? '/jobs/$id/at-the-lathe' : '/jobs/$id/$station'}
        params={{ id: now.job, station: 'blank' }}
      >
        {now.says}
      </Link>
    </p>
  );
}
