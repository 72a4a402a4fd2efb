/** One of a few, side by side. */
export function Radios<T>({
  about,
  choices,
  chosen,
  onChoose,
}: {
  /** What is chosen, for those who cannot see it. */
  about: string;
  choices: readonly { is: T; says: string }[];
  chosen: (is: T) => boolean;
  onChoose: (is: T) => void;
}) {
  return (
    <div className="row" role="radiogroup" aria-label={about}>
      {choices.map(({ is, says }) => (
        <button
          key={says}
          type="button"
          role="radio"
          aria-checked={chosen(is)}
          className={`act${chosen(is) ? '' : ' plain'}`}
          onClick={() => onChoose(is)}
        >
          {says}
        </button>
      ))}
    </div>
  );
}
