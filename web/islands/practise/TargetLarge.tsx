import { Sheet } from '@web/ui/Sheet';

/** The target as large as the window allows. */
export function TargetLarge({ picture, onClose }: { readonly picture: string; readonly onClose: () => void }) {
  return (
    <Sheet open wide onOpenChange={(open) => open || onClose()} title="Target">
      <img src={picture} alt="The target view" className="aspect-[1.6] max-h-[75vh] w-full rounded-lg bg-stage object-contain" />
    </Sheet>
  );
}
