// A stand-in for a foot switch: Enter is a press, "l" and Enter a long one. It sends a press again, with its id, until
// it is answered. node deploy/foot.mjs --machine Heron --token dith_… [--url http://127.0.0.1:8080]
import { randomUUID } from 'node:crypto';
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';

const AGAIN_MS = 1000;
const { values: given } = parseArgs({
    options: {
        machine: { type: 'string' },
        token: { type: 'string' },
        url: { type: 'string', default: 'http://127.0.0.1:8080' },
    },
});
if (!given.machine || !given.token) {
    console.error(
        'foot.mjs needs --machine and --token: a lead makes one with the scope signals under Shop.',
    );
    process.exit(1);
}

async function send(signal) {
    const body = JSON.stringify({ id: randomUUID(), machine: given.machine, signal });
    for (;;) {
        try {
            const answer = await fetch(`${given.url}/api/v1/signals`, {
                method: 'POST',
                headers: {
                    'Content-Type': 'application/json',
                    Accept: 'application/json',
                    Authorization: `Bearer ${given.token}`,
                },
                body,
            });
            const said = await answer.json();
            return said.error
                ? `red: ${said.error.message}`
                : `green: run ${said.run_number}, ${said.stored.length} entries`;
        } catch {
            await new Promise((done) => setTimeout(done, AGAIN_MS));
        }
    }
}

for await (const line of createInterface({ input: process.stdin }))
    console.log(await send(line.trim().toLowerCase() === 'l' ? 'long' : 'press'));
