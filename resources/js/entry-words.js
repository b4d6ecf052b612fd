// What the filling page says by itself, in the language of whoever fills it in.
const english = {
    saved: 'saved at :time',
    none: 'nothing missing',
    one: '1 blank missing',
    many: ':count blanks missing',
    entry: '1 :noun not saved yet: :why',
    entries: ':count :nouns not saved yet: :why',
    offline: 'no connection',
    sign_in: 'sign in again',
    reload: 'reload this page',
    full: 'the server is out of disk space',
    busy: 'the server is busy',
    unreadable: 'the answer could not be read',
    refused: 'This was not saved.',
    back: 'what you were typing is back',
    theirs: 'used theirs',
    met: ':label: :who entered “:theirs”, you entered “:mine”.',
    nothing: 'nothing',
    next: 'Next',
    close: 'Close',
    check: 'Check this box',
    uncheck: 'Uncheck',
    checked: 'checked',
};

const own = JSON.parse(document.querySelector?.('[data-entry-words]')?.dataset.entryWords || '{}');

export function word(name, values = {}) {
    return (own[name] ?? english[name]).replace(/:([a-z]+)/g, (whole, key) => values[key] ?? whole);
}
