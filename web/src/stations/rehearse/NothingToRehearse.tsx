import { text } from '../../app/voice';

/** What stands here of a thread a die or a tap makes. */
export function NothingToRehearse() {
  return (
    <section className="no-lathe">
      <p>{text('rehearse-die-or-tap')}</p>
    </section>
  );
}
