import type { ReactElement, ReactNode, SVGProps } from 'react';

/** The frame of a picture that the core draws: as wide as there is room; named, or of no matter to who cannot see it. */
export function Sketch({
  size: { width, height },
  label,
  role = 'img',
  children,
  ...drawn
}: {
  readonly size: { readonly width: number; readonly height: number };
  readonly label: string | undefined;
  readonly role?: 'img' | 'group';
  readonly children: ReactNode;
} & Pick<SVGProps<SVGSVGElement>, 'fill' | 'strokeLinejoin'>): ReactElement {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ display: 'block', width: '100%', height: 'auto' }}
      {...drawn}
      {...(label === undefined ? { 'aria-hidden': true } : { role, 'aria-label': label })}
    >
      {children}
    </svg>
  );
}
