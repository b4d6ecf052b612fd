// Finds in a list that stands whole on the page: rows that lack a word are put out of sight while it stands there.

/** Letters as they are compared: small, without accents. */
export const plain = (text) =>
    text
        .normalize('NFD')
        .replace(/\p{Mn}/gu, '')
        .toLowerCase();

/** Whether a row has every word that is looked for. */
export const has = (row, wanted) =>
    plain(wanted)
        .split(/\s+/)
        .every((word) => plain(row).includes(word));

/** Rows from which on a list is long enough to be looked through. */
const LONG = 12;

const begin = (input) => {
    const rows = [...document.querySelectorAll('.office [data-row]')];
    input.hidden = rows.length < LONG;
    input.addEventListener('input', () => {
        let shown = 0;
        for (const row of rows) {
            // What a person has just ticked or typed in stays in sight.
            const busy = row.querySelector('input:checked, input:focus') !== null;
            row.hidden = !busy && !has(row.textContent, input.value);
            shown += row.hidden ? 0 : 1;
        }
        input.setAttribute('aria-description', input.value === '' ? '' : `${shown} of ${rows.length}`);
    });
};

if (typeof document !== 'undefined') {
    document.querySelectorAll('[data-find-rows]').forEach(begin);
}
