import { quickWords } from '@core/advice';
import type { CardDetailProps } from '../goalParts';

/** Each call in the order heard: how long it took, what was made instead, and where that came from. */
export function QuickCallsDetail({ detail }: CardDetailProps) {
  if (detail?.kind !== 'quick') return null;
  return (
    <div className="mb-4 overflow-x-auto">
      <table className="w-full text-left">
        <thead>
          <tr className="border-ink border-b text-ink-soft text-sm">
            <th className="py-1 font-normal">Called</th>
            <th className="font-normal">Made</th>
            <th className="text-right font-normal">After</th>
          </tr>
        </thead>
        <tbody>
          {detail.calls.map(({ call, called, made, right, seconds, slip }, i) => (
            <tr key={`${i}-${quickWords(call)}`} className="border-rule border-b">
              <td className="py-1 font-semibold">{quickWords(call)}</td>
              <td className={right ? '' : 'font-semibold text-signal'}>
                {right ? 'as called' : made ? quickWords(made) : called ? 'nothing in time' : 'not called'}
                {slip && <span className="text-ink-soft"> · {slip}: a habit of your earlier scheme</span>}
              </td>
              <td className="whitespace-nowrap pl-3 text-right font-mono">{seconds === null ? '–' : `${seconds.toFixed(2)} s`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
