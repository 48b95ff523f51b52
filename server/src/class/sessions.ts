import { createHash, randomBytes } from 'node:crypto';

/** Who came in: a learner, and no more than that. */
export interface Session {
  readonly role: 'learner';
  readonly learner: string;
  readonly name: string;
}

const keyOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Those who came in, by a token that they alone have: what is kept of it is its hash. */
export class Sessions {
  private readonly byKey = new Map<string, Session>();

  /** @returns the token, 256 bits by chance */
  open(session: Session): string {
    const token = randomBytes(32).toString('base64url');
    this.byKey.set(keyOf(token), session);
    return token;
  }

  of(token: string | undefined): Session | null {
    return token === undefined ? null : (this.byKey.get(keyOf(token)) ?? null);
  }

  close(token: string): void {
    this.byKey.delete(keyOf(token));
  }

  closeAll(): void {
    this.byKey.clear();
  }
}
