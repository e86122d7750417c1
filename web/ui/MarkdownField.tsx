import '@uiw/react-md-editor/markdown-editor.css';
import MDEditor, { commands, type ICommand } from '@uiw/react-md-editor/nohighlight';
import { Bold, Italic, Link, List, ListOrdered, type LucideIcon } from 'lucide-react';
import { useId, useState } from 'react';
import { Html } from './Html';
import { htmlOf } from './markdown';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly rows?: number;
  readonly placeholder?: string;
}

/** Heights of a line and of what stands round the lines, pixels. */
const LINE = 21;
const ROUND = 52;
/** A tool of the editor with a picture and words of our own. */
const tool = (command: ICommand, words: string, Icon: LucideIcon): ICommand => ({
  ...command,
  icon: <Icon size={14} aria-hidden="true" />,
  buttonProps: { 'aria-label': words, title: words },
});
const TOOLS: readonly ICommand[] = [
  tool(commands.bold, 'Bold (Ctrl+B)', Bold),
  tool(commands.italic, 'Italic (Ctrl+I)', Italic),
  tool(commands.unorderedListCommand, 'List', List),
  tool(commands.orderedListCommand, 'Numbered list', ListOrdered),
  tool(commands.link, 'Link (Ctrl+L)', Link),
];

/** Words of a brief or a hint: Markdown, written with a few tools and looked at as it will be read. */
export function MarkdownField({ label, value, onChange, rows = 2, placeholder }: Props) {
  const [looking, setLooking] = useState(false);
  const id = useId();
  return (
    <div className="mb-3">
      <div className="mb-1 flex items-baseline justify-between">
        <label htmlFor={id} className="font-semibold text-sm">
          {label}
        </label>
        <button type="button" className="button-quiet !py-0 text-xs" aria-pressed={looking} onClick={() => setLooking(!looking)}>
          {looking ? 'Write on' : 'Preview'}
        </button>
      </div>
      {looking ? (
        <section className="field min-h-14" aria-label={`${label}: preview`}>
          <Html html={htmlOf(value)} />
        </section>
      ) : (
        <MDEditor
          className="markdown-field"
          value={value}
          onChange={(text = '') => onChange(text)}
          preview="edit"
          commands={[...TOOLS]}
          extraCommands={[]}
          visibleDragbar={false}
          height={rows * LINE + ROUND}
          minHeight={rows * LINE + ROUND}
          // The tab key leaves the field, as everywhere.
          defaultTabEnable
          highlightEnable={false}
          textareaProps={{ id, rows, placeholder, maxLength: 2000 }}
        />
      )}
    </div>
  );
}
