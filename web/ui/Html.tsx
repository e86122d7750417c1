/** What `htmlOf` made of Markdown: it lets no HTML of its author through. */
export function Html({ html, className = '' }: { readonly html: string; readonly className?: string }) {
  return <div className={`words ${className}`} dangerouslySetInnerHTML={{ __html: html }} />;
}
