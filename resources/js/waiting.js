// What was done goes to the server in order, each with a key of its own, so that it is stored once. While there is no
// connection it waits on the device; what is refused stays there with the reason, until it is entered otherwise or let go.
import { word } from './entry-words.js';
import { proof, who } from './proof.js';
import { signInAgain } from './resume.js';
import { newKey, shelfOf } from './shelf.js';

export { newKey };

const spoken = (noun) => (name, values) => word(name, { noun, nouns: noun === 'entry' ? 'entries' : `${noun}s`, ...values });

export function waitingLine({ shelf, url, noun = 'entry', says, told, stored, refused }) {
    const line = shelfOf(shelf);
    const tell = spoken(noun);
    let sending = false;
    let asked = false;
    const all = () => line.all().map((entry) => ({ key: entry.key, refused: entry.refused, answer: entry.answer, ...entry.what }));
    const waits = () => line.all().filter((entry) => !entry.refused);

    async function send() {
        if (sending) return;
        sending = true;
        try {
            for (let next = waits(); next.length; next = waits()) {
                const held = (why) => told(tell(next.length === 1 ? 'entry' : 'entries', { count: next.length, why: tell(why) }), true);
                const { key, what } = next[0];
                let answer;
                try {
                    answer = await fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', ...proof() }, body: JSON.stringify({ key, ...what }) });
                } catch {
                    return held('offline');
                }
                if (answer.status === 419 || answer.status === 401) {
                    held(who ? 'sign_in' : 'reload');
                    // Asked once on the spot; who closes that goes on when they like.
                    if (!asked && (asked = true) && await signInAgain()) continue;
                    return;
                }
                asked = false;
                if (answer.status === 507) return held('full');
                if (answer.status >= 500 || answer.status === 429) return held('busy');
                const body = await answer.json().catch(() => null);
                if (body === null) return held('unreadable');
                if (answer.ok) {
                    line.drop(key);
                    stored(body, { key, ...what });
                } else {
                    const why = body.message || tell('refused');
                    line.refuse(key, why, body.theirs === undefined ? undefined : { theirs: body.theirs, who: body.who });
                    refused(why, { key, ...what }, body);
                }
            }
        } finally {
            sending = false;
        }
    }

    window.addEventListener('online', send);
    setInterval(() => waits().length && send(), 4000);

    return {
        all,
        send,
        drop: line.drop,
        waits: () => waits().length,
        busy: () => sending || waits().length > 0,
        add(what) {
            const key = newKey();
            line.add({ key, url, what, says: says?.(what) ?? noun });
            send();
            return key;
        },
    };
}
