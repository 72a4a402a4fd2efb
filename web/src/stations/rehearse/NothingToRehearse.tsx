import { text } from '../../app/voice';

const Nothing = ({ why }: { why: string }) => (
  <section className="no-lathe">
    <p>{why}</p>
  </section>
);

/** What stands here of a thread a die or a tap makes. */
export const NothingToRehearse = () => <Nothing why={text('rehearse-die-or-tap')} />;

/** And of one that ends so that no thread is left. */
export const NoThreadToRehearse = () => <Nothing why={text('rehearse-no-thread')} />;
