// A stand-in for a bench scale: writes weighings as lines over TCP, as a scale with a serial server does, in odd
// pieces. node deploy/scale.mjs --port 0 [--garbage] [--drop-after 40] [--script 0,120,120.4,500]
import { createServer } from 'node:net';

const given = Object.fromEntries(
    process.argv
        .slice(2)
        .flatMap((a, i, all) =>
            a.startsWith('--')
                ? [[a.slice(2), all[i + 1]?.startsWith('--') || all[i + 1] === undefined ? true : all[i + 1]]]
                : [],
        ),
);
const script = String(given.script ?? '0,250.0,812.4,1302.0')
    .split(',')
    .map(Number);
const HOLD = 8;

function line(tick) {
    const at = Math.min(script.length - 1, Math.floor(tick / HOLD));
    const grams = script[at];
    const steady = tick % HOLD >= 3;
    const shown = (steady ? grams : grams + (tick % 3) - 1).toFixed(1);
    return grams > 15000 ? 'mass over' : `mass ${shown} g ${steady ? 'steady' : 'moving'}`;
}

const server = createServer((socket) => {
    let tick = 0;
    socket.on('error', () => clearInterval(timer));
    const timer = setInterval(() => {
        let bytes = Buffer.from(`${line(tick)}\r\n`, 'ascii');
        if (given.garbage && tick % 5 === 2)
            bytes = Buffer.concat([Buffer.from([0xff, 0x00, 0x1b, 0x5b, 0x80, 0x0a]), bytes]);
        // Never a whole line at once.
        for (let i = 0, size = 1 + (tick % 4); i < bytes.length; i += size)
            socket.write(bytes.subarray(i, i + size));
        tick++;
        if (given['drop-after'] && tick >= Number(given['drop-after'])) socket.destroy();
    }, 20);
    socket.on('close', () => clearInterval(timer));
});
server.listen(Number(given.port ?? 4001), '127.0.0.1', () =>
    console.log(`scale on 127.0.0.1:${server.address().port}`),
);
