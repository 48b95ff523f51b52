import type { RidgeRig } from '@rough-bight/core/rig';
import useSWR from 'swr';
import { call, get } from './api.js';

/** One save of a rig, as it is listed. */
export interface Version {
  readonly version: number;
  readonly name: string;
  /** What a person calls it; empty where they call it nothing. */
  readonly called: string;
  readonly savedAt: string;
}

const listOf = (rigId: string): string => `/api/rigs/${encodeURIComponent(rigId)}/revisions`;

/** Every save of a rig, newest first, and what gives one a name. @param saved the version that is stored now */
export function useVersions(rigId: string, saved: number) {
  const { data, error, mutate } = useSWR<readonly Version[], Error>([listOf(rigId), saved], ([path]: [string]) =>
    get(path),
  );
  return {
    data,
    error,
    call: async (version: number, called: string): Promise<void> => {
      await call('PUT', `${listOf(rigId)}/${version}`, { called });
      await mutate();
    },
    /** One of them as it was. */
    whole: (version: number) => get<Version & { readonly document: RidgeRig }>(`${listOf(rigId)}/${version}`),
  };
}

/** A rig as it was; nothing where none is asked for. */
export function useVersion(rigId: string, version: string | null) {
  return useSWR<Version & { readonly document: RidgeRig }, Error>(
    version === null ? null : `${listOf(rigId)}/${encodeURIComponent(version)}`,
    get,
  );
}
