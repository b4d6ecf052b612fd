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

// One after the other; each sends all of it, so that only the last one's answer counts.
let last = Promise.resolve();
let latest = 0;
let moved = false;

function store(say, fresh, isMoved) {
    const mine = ++latest;
    moved ||= isMoved;
    last = last.then(() => mine === latest && send(say, fresh, () => mine === latest)).catch(() => say('Not saved. Reload the page.', true));
}

async function send(say, fresh, isLast) {
    const body = new FormData(form);
    for (const name of ['send', 'do', 'send_at']) body.delete(name);
    say('saving');
    const answer = await fetch(form.action, { method: 'POST', headers: { Accept: 'application/json' }, body }).catch(() => null);
    if (!isLast()) return;
    if (answer?.ok) {
        await fresh(moved);
        moved = false;
        return;
    }
    const told = answer ? (await answer.json().catch(() => ({}))).message : 'Not saved: there is no connection. It is kept here.';
    say(told || 'That could not be saved. Check the day and the addresses.', true);
}

export function followTurns(say, fresh) {
    const save = (isMoved = false) => store(say, fresh, isMoved);
    const move = (row, band) => {
        if (!band || band === row.closest('.turn-band')) return;
        band.append(row);
        number();
        row.focus();
        save(true);
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
        const row = event.target.closest('.signer-row');
        if (!event.altKey || event.repeat || !row || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
        event.preventDefault();
        event.stopPropagation();
        const all = bands();
        move(row, all[all.indexOf(row.closest('.turn-band')) + (event.key === 'ArrowUp' ? -1 : 1)]);
    });
    form.addEventListener('change', (event) => {
        if (event.target.name && event.target.name !== 'send_at') save();
    });
}
