import { Button, IconButton, Toast, Toaster, createToaster } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { useEffect } from 'react';
import type { ReactElement } from 'react';

const toaster = createToaster({ placement: 'bottom-start', max: 1, duration: Number.POSITIVE_INFINITY });

/** What is gone, with the button that puts it back: it stays until it is closed, something else is done, or the view is left. */
export default function GoneToast({
  what,
  onBack,
}: {
  readonly what: string;
  readonly onBack: () => void;
}): ReactElement {
  useEffect(() => {
    let id: string | undefined;
    // the region that tells it is there only after this part is: what comes sooner is lost
    const soon = setTimeout(() => {
      id = toaster.create({ title: what, action: { label: 'Put it back', onClick: onBack } });
    });
    return () => {
      clearTimeout(soon);
      if (id !== undefined) toaster.remove(id);
    };
    // one toast for one deed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [what]);
  return (
    <Toaster toaster={toaster}>
      {(toast) => (
        <Toast.Root>
          <Toast.Title>{toast.title}</Toast.Title>
          {toast.action !== undefined && (
            <Toast.ActionTrigger asChild>
              <Button>{toast.action.label}</Button>
            </Toast.ActionTrigger>
          )}
          <Toast.CloseTrigger asChild>
            <IconButton variant="ghost" aria-label="Close this">
              <X size={18} />
            </IconButton>
          </Toast.CloseTrigger>
        </Toast.Root>
      )}
    </Toaster>
  );
}
