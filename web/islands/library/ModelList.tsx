import { FilterSelect } from '@web/ui/FilterSelect';
import { SearchField } from '@web/ui/SearchField';
import { useMemo, useState } from 'react';
import { ALL_MODELS, MODEL_ORDERS, type ModelLine, type ModelsWanted, modelsWanted, WHOSE } from './modelLines';
import { PutAway } from './PutAway';

const metres = (x: number): string => (x >= 1 ? `${x.toFixed(2)} m` : `${Math.round(x * 1000)} mm`);

function Card({ model }: { readonly model: ModelLine }) {
  const facts = [
    ['Size', model.size.map(metres).join(' × ')],
    ['Triangles', model.triangles.toLocaleString('en')],
    ['Parts', model.parts],
    ['Revision', `${model.revision}${model.shared ? ', shared' : ''}`],
  ] as const;
  return (
    <li className="card relative p-5 hover:border-ink">
      <img src={`/api/models/${model.id}/${model.revision}/picture`} alt="" loading="lazy" width="320" height="200" className="mx-auto mb-3 h-40 w-auto" />
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-xl">
          {/* Its picture above it opens it too. */}
          <a
            className="underline decoration-rule underline-offset-4 before:absolute before:inset-x-0 before:top-0 before:h-46 before:content-[''] hover:decoration-ink"
            href={`/library/${model.id}`}
          >
            {model.name}
          </a>
        </h2>
        {model.mine && <PutAway what="model" id={model.id} name={model.name} away={model.away} />}
      </div>
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {facts.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-ink-soft">{name}</dt>
            <dd className="font-mono">{value}</dd>
          </div>
        ))}
      </dl>
    </li>
  );
}

const Cards = ({ models }: { readonly models: readonly ModelLine[] }) => (
  <ul className="mt-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
    {models.map((model) => (
      <Card key={model.id} model={model} />
    ))}
  </ul>
);

/** The models of the library with their pictures, to be searched, filtered and put in order; those put away below them. */
export function ModelList({ models }: { readonly models: readonly ModelLine[] }) {
  const [wanted, setWanted] = useState(ALL_MODELS);
  const [present, away] = useMemo(() => {
    const shown = modelsWanted(models, wanted);
    return [shown.filter((model) => !model.away), shown.filter((model) => model.away)];
  }, [models, wanted]);
  const all = models.filter((model) => !model.away).length;
  if (models.length === 0) return <p className="card mt-8 p-6">No models yet. Import a .glb file, or a .gltf file together with its .bin files.</p>;
  return (
    <div className="mt-6">
      <div className="flex flex-wrap items-center gap-2">
        <SearchField
          label="Search models"
          placeholder="Name"
          value={wanted.words}
          onChange={(words) => setWanted((before) => ({ ...before, words }))}
          compact
          className="min-w-48 flex-1"
        />
        <FilterSelect
          label="Whose"
          any="Everybody’s"
          value={wanted.whose}
          options={Object.entries(WHOSE)}
          onChange={(whose) => setWanted({ ...wanted, whose: whose as ModelsWanted['whose'] })}
        />
        <FilterSelect
          label="Order"
          value={wanted.order}
          options={Object.entries(MODEL_ORDERS)}
          onChange={(order) => setWanted({ ...wanted, order: order as ModelsWanted['order'] })}
        />
      </div>
      <p className="mt-3 text-ink-soft text-sm" role="status">
        {present.length === all ? `${all} ${all === 1 ? 'model' : 'models'}` : `${present.length} of ${all} models`}
      </p>
      <Cards models={present} />
      {present.length === 0 && all > 0 && <p className="py-6 text-ink-soft">None is called that. Take a word away, or look at everybody’s.</p>}
      {away.length > 0 && (
        <details className="mt-8">
          <summary className="cursor-pointer text-ink-soft">Put away: {away.length}</summary>
          <Cards models={away} />
        </details>
      )}
    </div>
  );
}
