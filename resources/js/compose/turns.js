// Who signs in which turn: people are dragged from box to box, or moved with Alt and the arrow keys. What is entered about a
// round is stored as it is left.
const form = document.querySelector('#compose');
const list = document.querySelector('#signers');
let dragged = null;

const bands = () => [...list.querySelectorAll('.turn-band')];
const turnOf = (row) => row.querySelector('input[name^="turns["]');

// The boxes are the turns: numbered anew from the first, without gaps.
function number() {
    bands().filter((band) => band.querySelector('.signer-row')).forEach((band, index) => {
        band.querySelectorAll('.signer-row').forEach((row) => { turnOf(row).value = index + 1; });
    });
}

// Only what was changed is sent, so that two tabs do not undo each other; one after the other, and the last answer counts.
const dirty = new Set();
const refused = new Map();
let last = Promise.resolve();
let latest = 0;
let moved = false;

const DAY = ['last_day', 'last_time'];
const valueOf = (body, name) => JSON.stringify(body.getAll(name));

function bodyOf(names) {
    const all = new FormData(form);
    const body = new FormData();
    for (const [name, value] of all) if (['_token', '_method'].includes(name) || names.includes(name)) body.append(name, value);
    return body;
}

function store(say, fresh) {
    const mine = ++latest;
    const isLast = () => mine === latest;
    last = last.then(() => isLast() && send(say, fresh, isLast)).catch(() => say('Not saved. Reload the page.', true));
}

// What is stored together: the day with its hour, and all turns.
function groupsOf(names) {
    const groups = new Map();
    for (const name of names) {
        const key = DAY.includes(name) ? 'day' : name.startsWith('turns[') ? 'turns' : name;
        groups.set(key, [...groups.get(key) ?? [], name]);
    }
    return [...groups.values()];
}

async function send(say, fresh, isLast, names = [...dirty]) {
    const body = bodyOf(names);
    say('saving');
    const answer = await fetch(form.action, { method: 'POST', headers: { Accept: 'application/json' }, body }).catch(() => null);
    if (!answer || answer.status >= 500) {
        say('Not saved yet. Trying again. Keep this page open.', true);
        setTimeout(() => store(say, fresh), 4000);
        return;
    }
    const groups = groupsOf(names);
    if (!answer.ok && groups.length > 1) {
        // One of several was refused: the others are none the worse for it.
        for (const group of groups) await send(say, fresh, isLast, group);
        return;
    }
    if (!answer.ok) {
        const told = (await answer.json().catch(() => ({}))).message || 'That could not be saved. Check the day and the addresses.';
        names.forEach((name) => refused.set(name, told));
    }
    const now = new FormData(form);
    const settled = names.filter((name) => valueOf(now, name) === valueOf(body, name));
    settled.forEach((name) => dirty.delete(name));
    if (answer.ok) form.dispatchEvent(new CustomEvent('saved-fields', { bubbles: true, detail: settled }));
    if (!isLast()) return;
    if (answer.ok) {
        await fresh(moved);
        moved = false;
    }
    const words = [...refused.values()][0];
    say(words ?? 'saved', words !== undefined);
}

export function followTurns(say, fresh) {
    const save = (names) => {
        names.forEach((name) => {
            dirty.add(name);
            refused.delete(name);
            moved ||= name.startsWith('turns[');
        });
        store(say, fresh);
    };
    const move = (row, band) => {
        if (!band || band === row.closest('.turn-band')) return;
        band.append(row);
        number();
        row.focus();
        save([...list.querySelectorAll('input[name^="turns["]')].map((input) => input.name));
    };
    list.addEventListener('dragstart', (event) => {
        dragged = event.target.closest?.('.signer-row') ?? null;
        if (event.target.matches?.('input, textarea')) dragged = null;
    });
    list.addEventListener('dragover', (event) => {
        const band = event.target.closest('.turn-band');
        if (!dragged || !band) return;
        event.preventDefault();
        bands().forEach((one) => one.classList.toggle('over', one === band));
    });
    list.addEventListener('drop', (event) => {
        event.preventDefault();
        if (dragged) move(dragged, event.target.closest('.turn-band'));
    });
    list.addEventListener('dragend', () => {
        dragged = null;
        bands().forEach((one) => one.classList.remove('over'));
    });
    list.addEventListener('keydown', (event) => {
        // In a field of theirs Alt and an arrow are the field's.
        const row = event.target.matches('.signer-row') ? event.target : null;
        if (!event.altKey || event.repeat || !row || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
        event.preventDefault();
        event.stopPropagation();
        const all = bands();
        move(row, all[all.indexOf(row.closest('.turn-band')) + (event.key === 'ArrowUp' ? -1 : 1)]);
    });
    form.addEventListener('change', (event) => {
        const { name, form: of } = event.target;
        if (name && of === form && name !== 'send_at') save(DAY.includes(name) ? DAY : [name]);
    });
}
