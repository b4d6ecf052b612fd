// What is on this device and not saved yet, in one place: how much it is, what, where, why, and what to do about it.
import { discard, fileHere, held, sendAgain } from './shelf.js';

const chip = document.querySelector('#held');
const dialog = document.querySelector('#held-list');
const list = dialog?.querySelector('ul');

function counted(n) {
    return n === 1 ? '1 entry not saved' : `${n} entries not saved`;
}

function row(one) {
    const item = document.createElement('li');
    const link = document.createElement('a');
    link.href = one.at.path;
    link.textContent = one.at.title;
    const says = document.createElement('b');
    says.textContent = one.says;
    const why = document.createElement('span');
    why.className = one.refused ? 'late' : 'dim';
    why.textContent = one.refused || 'Not sent yet.';
    const acts = document.createElement('span');
    acts.className = 'in-row';
    const act = (words, kind, work) => {
        const button = document.createElement('button');
        button.type = 'button';
        button.className = `button tight ${kind}`;
        button.textContent = words;
        button.addEventListener('click', work);
        acts.append(button);
        return button;
    };
    const again = one.url && act('Send again', '', async () => {
        again.disabled = true;
        const refused = await sendAgain(one);
        if (refused) {
            why.textContent = refused;
            again.disabled = false;
        }
    });
    act('Discard', 'plain', () => discard(one));
    item.append(says, document.createElement('br'), link, ' · ', why, acts);
    return item;
}

function show() {
    const all = held();
    if (chip) {
        chip.hidden = all.length === 0;
        chip.textContent = counted(all.length);
        chip.classList.toggle('hot', all.some((one) => one.refused));
    }
    list?.replaceChildren(...all.map(row));
    if (dialog?.open && all.length === 0) dialog.close();
    const file = fileHere();
    const place = document.querySelector('#held-here');
    const mine = all.filter((one) => file && one.at?.file === file);
    if (place) {
        place.hidden = mine.length === 0;
        place.querySelector('b').textContent = counted(mine.length);
    }
}

document.querySelectorAll('[data-held]').forEach((button) => button.addEventListener('click', () => { show(); dialog.showModal(); }));
// Entries that are saved at once need not flash up: what is still there a moment later is shown.
let soon = null;
document.addEventListener('unanimus:held', () => {
    clearTimeout(soon);
    soon = setTimeout(show, dialog?.open ? 0 : 700);
});
show();
