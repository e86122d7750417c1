/** Prints the page as it is made for paper. */
export function PrintButton({ className = 'button-quiet' }: { readonly className?: string }) {
  return (
    <button type="button" className={`${className} print:hidden`} onClick={() => window.print()}>
      Print
    </button>
  );
}
