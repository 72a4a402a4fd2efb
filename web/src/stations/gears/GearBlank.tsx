import { spoken, text } from '../../app/voice';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { useLatheChange, useLatheView } from '../../shop/hooks';

const FIELDS = spoken<Field[]>(() => [
  { kind: 'length', at: 'gear_blank.bore_mm', says: text('shop-gear-bore') },
  { kind: 'length', at: 'gear_blank.key_mm', says: text('shop-gear-key') },
  { kind: 'length', at: 'gear_blank.face_mm', says: text('shop-gear-face') },
  { kind: 'number', at: 'gear_blank.pressure_angle_deg', says: text('shop-gear-angle') },
  { kind: 'length', at: 'gear_blank.depth_mm', says: text('shop-gear-depth') },
]);

/** What the gears owned are like beside their teeth, so that the card of one to make says it. */
export function GearBlank({ lathe }: { lathe: string }) {
  const view = useLatheView(lathe);
  const { change } = useLatheChange(view.data);
  if (!view.data) return null;
  return (
    <details>
      <summary>{text('gears-as-the-gears-owned')}</summary>
      <FieldsForm
        columns
        fields={FIELDS()}
        value={view.data.profile}
        under=""
        wholes={['gear_blank']}
        busy={change.isPending}
        onSend={(patch, onError) => change.mutate({ says: text('gears-as-the-gears-owned'), patch }, { onError })}
      />
    </details>
  );
}
