import { useState } from 'react';
import { v4 } from 'uuid';
import type { Problem } from '../api/client';
import { photoAt } from '../api/photos';
import { text } from '../app/voice';

const LARGEST = 5 * 1024 * 1024;

/** Keeps a photograph with a job: in the shop's own file, never sent anywhere else. Gives its id, or what was wrong with it. */
async function keep(job: string, file: File): Promise<{ id: string } | { fault: string }> {
  if (file.size > LARGEST) return { fault: text('log-over-5-mb', { file: file.name }) };
  const id = v4();
  try {
    const address = `${photoAt(job, id)}?says=${encodeURIComponent(file.name)}`;
    const answer = await fetch(address, {
      method: 'PUT',
      body: file,
      headers: { 'content-type': 'application/octet-stream' },
    });
    return answer.ok ? { id } : { fault: ((await answer.json()) as Problem).detail };
  } catch {
    return { fault: text('log-saved-server-does') };
  }
}

/** A key that takes a picture, or one from the disk, and keeps it with a job. */
export function PhotoKey({
  job,
  says,
  onKept,
}: {
  job: string;
  says: string;
  onKept: (id: string) => void | Promise<void>;
}) {
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      <label className="act plain photo-key">
        {says}
        <input
          type="file"
          accept="image/jpeg,image/png"
          onChange={e => {
            const file = e.currentTarget.files?.[0];
            e.currentTarget.value = '';
            setFault(null);
            if (file) void keep(job, file).then(kept => ('id' in kept ? onKept(kept.id) : setFault(kept.fault)));
          }}
        />
      </label>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}
