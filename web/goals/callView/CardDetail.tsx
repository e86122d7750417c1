import type { StepDetail } from '@core/scoring';
import { callWords } from '../callWords';
import type { CardDetailProps } from '../goalParts';

/** Each call in the order heard: how far off, how long it took. */
export function CallsTable({ calls }: { readonly calls: Extract<StepDetail, { kind: 'calls' }>['calls'] }) {
  return (
    <table className="mb-4 w-full text-left">
      <thead>
        <tr className="border-ink border-b text-ink-soft text-sm">
          <th className="py-1 font-normal">Called</th>
          <th className="text-right font-normal">Off by</th>
          <th className="text-right font-normal">Time</th>
          <th className="text-right font-normal">Wrong turns</th>
        </tr>
      </thead>
      <tbody>
        {calls.map((call, i) => (
          <tr key={`${call.number}-${i}`} className="border-rule border-b">
            <td className="py-1.5 font-semibold">{callWords(call.call)}</td>
            <td className="text-right font-mono">{call.seconds === null ? 'not answered' : `${((call.error * 180) / Math.PI).toFixed(1)}°`}</td>
            <td className="whitespace-nowrap pl-3 text-right font-mono">{call.seconds === null ? '–' : `${call.seconds.toFixed(1)} s`}</td>
            <td className="text-right font-mono">{call.wrongTurns}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function CallViewDetail({ detail }: CardDetailProps) {
  return detail?.kind === 'calls' ? <CallsTable calls={detail.calls} /> : null;
}
