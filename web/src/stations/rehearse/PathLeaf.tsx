import type { TaskView } from '../../api/client';
import { text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';

/** The learner's path: short tasks, each with what it proves; one touched is begun, or shown. */
export function PathLeaf({
  path,
  open,
  onClose,
  onTask,
}: {
  path: TaskView[];
  open: boolean;
  onClose: () => void;
  onTask: (task: TaskView) => void;
}) {
  const next = path.find(task => !task.done);
  return (
    <Leaf title={text('rehearse-path')} open={open} onClose={onClose} wide>
      <p className="how">{text('rehearse-path-says')}</p>
      <ol className="path">
        {path.map(task => (
          <li key={task.code}>
            <button
              type="button"
              className="choice"
              aria-current={task === next ? 'step' : undefined}
              onClick={() => onTask(task)}
            >
              <b>{task.name}</b>
              <span>
                {task.done
                  ? text('rehearse-path-done')
                  : task.so_far && text('rehearse-path-so-far', { n: task.so_far[0] ?? 0, of: task.so_far[1] ?? 0 })}
              </span>
              <small>{task.proves}</small>
            </button>
          </li>
        ))}
      </ol>
    </Leaf>
  );
}
