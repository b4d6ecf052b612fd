// What was done goes to the server in order, each with a key of its own, so that it is stored once. While there is no
// connection it waits on the device, also over a crash of the browser.
import { proof, who } from './proof.js';

export function newKey() {
    return crypto.randomUUID ? crypto.randomUUID() : `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
}

// Each waits at a place of its own: two tabs that add and take away at the same moment lose nothing of each other's.
function shelfOf(name) {
    const prefix = `${name}/`;
    const here = new Map();
    let count = 0;
    const places = () => {
        const found = [...here.keys()];
        try {
            for (let index = 0; index < localStorage.length; index++) {
                if (localStorage.key(index).startsWith(prefix)) found.push(localStorage.key(index));
            }
        } catch { /* a browser that keeps nothing: it waits in this tab */ }
        return found.sort();
    };
    return {
        all: () => places().map((place) => here.get(place) ?? JSON.parse(localStorage.getItem(place) ?? 'null')).filter(Boolean),
        add(what) {
            const place = `${prefix}${Date.now().toString(36).padStart(9, '0')}-${String(count++).padStart(5, '0')}-${what.key}`;
            try {
                localStorage.setItem(place, JSON.stringify(what));
            } catch {
                here.set(place, what);
            }
        },
        drop(key) {
            for (const place of places()) {
                if (!place.endsWith(key)) continue;
                here.delete(place);
                try {
                    localStorage.removeItem(place);
                } catch { /* it was never there */ }
            }
        },
    };
}

export function waitingLine({ shelf, url, noun, told, stored, refused }) {
    // What waits is somebody's: at a device that several use, nobody sends what another left.
    const line = shelfOf(`${shelf}:${who}`);
    const [one, many] = Array.isArray(noun) ? noun : [noun, `${noun}s`];
    let sending = false;

    async function send() {
        if (sending) return;
        sending = true;
        try {
            for (let waits = line.all(); waits.length; waits = line.all()) {
                const held = (why) => told(`${waits.length === 1 ? `one ${one} waits` : `${waits.length} ${many} wait`} on this device: ${why}`, true);
                let answer;
                try {
                    answer = await fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', ...proof() }, body: JSON.stringify(waits[0]) });
                } catch {
                    return held('no connection');
                }
                if (answer.status === 419 || answer.status === 401) return held(who ? 'sign in again as yourself in another tab' : 'load this page again');
                if (answer.status >= 500 || answer.status === 429) return held('the server is busy');
                const body = await answer.json().catch(() => null);
                if (body === null) return held('the answer could not be read');
                line.drop(waits[0].key);
                if (answer.ok) stored(body, waits[0]);
                else refused(body.message || 'This was not stored.', waits[0], body);
            }
        } finally {
            sending = false;
        }
    }

    window.addEventListener('online', send);
    setInterval(() => line.all().length && send(), 4000);

    return {
        all: line.all,
        send,
        busy: () => sending || line.all().length > 0,
        add(what) {
            const key = newKey();
            line.add({ key, ...what });
            send();
            return key;
        },
    };
}
