import { Refused } from '../../api/client';
import { sentence } from '../../parts/useSend';

/** Does something and says in a sentence what became of it. */
export async function told(work: () => Promise<unknown>, done: string): Promise<string> {
    try {
        await work();
        return done;
    } catch (error) {
        if (!(error instanceof Refused)) return 'The server does not answer.';
        return sentence(error);
    }
}
