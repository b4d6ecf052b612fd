// What is typed beside the pages and not saved yet is there again after the page was loaded anew: papers come and go meanwhile.
import { who } from '../proof.js';
import { round } from './state.js';

const form = document.querySelector('#compose');
const SENT = ' sent';
const shelf = `unanimus:words:${who}:${round}`;
const fields = () => [...form.querySelectorAll('input[name], textarea[name], select[name]')].filter((one) => one.type !== 'hidden');

function typed() {
    try {
        return JSON.parse(localStorage.getItem(shelf)) ?? {};
    } catch {
        return {};
    }
}

// Sent off, and the page says that it was stored: nothing is left to keep. What was refused, or got lost on its way, stays.
if (typed()[SENT] && document.querySelector('.say[role="status"]')) localStorage.removeItem(shelf);
const before = typed();
for (const field of fields()) {
    if (Object.hasOwn(before, field.name)) field.value = before[field.name];
}
form.addEventListener('input', (event) => {
    // A field of another form that stands here, such as what facts were checked against, is that one's.
    if (!event.target.name || event.target.form !== form) return;
    try {
        localStorage.setItem(shelf, JSON.stringify({ ...typed(), [event.target.name]: event.target.value }));
    } catch { /* it is kept once it is saved */ }
});
// What was stored as it was left must not come back over what somebody else enters later.
form.addEventListener('saved-fields', (event) => {
    const left = Object.fromEntries(Object.entries(typed()).filter(([name]) => !event.detail.includes(name)));
    try {
        if (Object.keys(left).length === 0) localStorage.removeItem(shelf);
        else localStorage.setItem(shelf, JSON.stringify(left));
    } catch { /* nothing is kept there */ }
});
form.addEventListener('submit', () => {
    try {
        localStorage.setItem(shelf, JSON.stringify({ ...typed(), [SENT]: true }));
    } catch { /* nothing is kept there */ }
});
