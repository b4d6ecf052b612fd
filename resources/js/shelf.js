// What a person entered and the server has not saved stands on a shelf on their device, over the death of the tab and of
// the browser, until it is saved or they discard it. Each entry has a place of its own: two tabs that add and take
// away at the same moment lose nothing of each other's.
import { proof, who } from './proof.js';

const PREFIX = 'unanimus:';
const here = new Map();
let count = 0;

export function newKey() {
    return crypto.randomUUID ? crypto.randomUUID() : `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
}

const tell = () => document.dispatchEvent(new Event('unanimus:held'));
window.addEventListener('storage', (event) => event.key?.startsWith(PREFIX) && tell());

function places(prefix) {
    const found = [...here.keys()].filter((place) => place.startsWith(prefix));
    try {
        for (let index = 0; index < localStorage.length; index++) {
            if (localStorage.key(index).startsWith(prefix)) found.push(localStorage.key(index));
        }
    } catch { /* a browser that keeps nothing: it waits in this tab */ }
    return found.sort();
}

function put(place, entry) {
    try {
        localStorage.setItem(place, JSON.stringify(entry));
    } catch {
        here.set(place, entry);
    }
    tell();
}

function take(place) {
    try {
        return here.get(place) ?? JSON.parse(localStorage.getItem(place) ?? 'null');
    } catch {
        return null;
    }
}

function remove(place) {
    here.delete(place);
    try {
        localStorage.removeItem(place);
    } catch { /* it was never there */ }
    tell();
}

// The file that the page belongs to, if any.
export const fileHere = () => document.querySelector('[data-file]')?.dataset.file ?? location.pathname.match(/^\/files\/(\w{26})/)?.[1] ?? null;

// Where on which page something was entered, so that it is found again from anywhere.
function whereabouts() {
    return { path: location.pathname, title: document.title.replace(' · Unanimus', ''), file: fileHere() };
}

export function shelfOf(name) {
    // What waits is somebody's: at a device that several use, nobody sends what another left.
    const prefix = `${PREFIX}${name}:${who}/`;
    const find = (key) => places(prefix).filter((place) => take(place)?.key === key);
    return {
        all: () => places(prefix).map(take).filter(Boolean),
        add(entry) {
            put(`${prefix}${Date.now().toString(36).padStart(9, '0')}-${String(count++).padStart(5, '0')}-${entry.key}`, { ...entry, who, at: whereabouts() });
        },
        // Refused: it stays, with the reason, and is not sent by itself any more.
        refuse: (key, why, answer) => find(key).forEach((place) => put(place, { ...take(place), refused: why, answer })),
        drop: (key) => find(key).forEach(remove),
    };
}

// Everything of this person on this device, but what is being typed on this very page. On a client's page only what
// belongs to the same link.
export function held() {
    const link = who ? null : location.pathname.split('/').slice(0, 3).join('/');
    return places(PREFIX).map((place) => ({ place, ...take(place) })).filter((one) => one.key && one.who === who && !(one.draft && !one.refused && one.at?.path === location.pathname) && (!link || one.at?.path.startsWith(link)));
}

export function discard(one) {
    remove(one.place);
}

// Sends one of them from wherever one is. The key goes along: what is stored already is not stored again.
export async function sendAgain(one) {
    let answer;
    try {
        const form = one.verb === 'PUT';
        // Whoever was told what another has entered and sends it all the same has seen it.
        const what = { ...one.what };
        if (one.answer) what.seen = one.answer.theirs;
        else if (one.refused) Object.keys(what).filter((name) => name === 'seen' || name.startsWith('stood[')).forEach((name) => delete what[name]);
        answer = await fetch(one.url, {
            method: one.verb ?? 'POST',
            headers: { Accept: 'application/json', ...proof(), ...(form ? { 'HX-Request': 'true', 'Content-Type': 'application/x-www-form-urlencoded' } : { 'Content-Type': 'application/json' }) },
            body: form ? new URLSearchParams(what) : JSON.stringify({ key: one.draft ? newKey() : one.key, ...what }),
        });
    } catch {
        return 'There is no connection yet.';
    }
    if (answer.status === 419 || answer.status === 401) return 'Sign in again first.';
    const body = await answer.json().catch(() => ({}));
    const fault = JSON.parse(answer.headers.get('HX-Trigger') || '{}').stored?.fault;
    if (answer.ok && !fault) {
        remove(one.place);
        // The page it belongs to shows what is saved now.
        if (one.at?.path === location.pathname) location.reload();
        return null;
    }
    const why = fault || body.message || 'The server is busy.';
    if (answer.status < 500) put(one.place, { ...take(one.place), refused: why });
    return why;
}
