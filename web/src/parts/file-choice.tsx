import { Button, Input } from '@chakra-ui/react';
import { useId } from 'react';
import type { ReactElement, ReactNode } from 'react';

/** A button that takes a file from the device. */
export function FileChoice({
  accept,
  onFile,
  act = false,
  children,
}: {
  readonly accept: string;
  readonly onFile: (file: File) => void;
  /** Whether it is what the view is for. */
  readonly act?: boolean;
  readonly children: ReactNode;
}): ReactElement {
  const id = useId();
  return (
    <>
      <Button asChild variant={act ? 'solid' : 'outline'}>
        <label htmlFor={id}>{children}</label>
      </Button>
      <Input
        id={id}
        type="file"
        accept={accept}
        srOnly
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file !== undefined) onFile(file);
          e.target.value = '';
        }}
      />
    </>
  );
}
