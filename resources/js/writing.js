// A message as it is written: a field goes where the cursor stands, what was saved is let go of on the device, and what the device
// still held from before goes out again.
const body = document.getElementById('body');
const field = document.getElementById('field');
field?.addEventListener('change', (event) => {
    event.stopPropagation();
    if (field.value === '') return;
    body.setRangeText(field.value, body.selectionStart, body.selectionEnd, 'end');
    field.value = '';
    body.focus();
    body.dispatchEvent(new Event('input', { bubbles: true }));
});

const message = document.getElementById('message');
const texts = () => [...(message?.elements ?? [])].filter((one) => one.matches('input:not([type]), textarea') && one.name);
document.body.addEventListener('htmx:afterRequest', (event) => {
    const status = event.detail.xhr?.status ?? 0;
    if (event.detail.elt !== message || status < 200 || status > 299) return;
    // What was typed since is not saved yet.
    const sent = event.detail.requestConfig.parameters;
    const saved = texts().filter((one) => one.value === (sent[one.name] ?? sent.get?.(one.name))).map((one) => one.name);
    message.dispatchEvent(new CustomEvent('saved-fields', { detail: saved, bubbles: true }));
});
window.addEventListener('load', () => {
    if (texts().some((one) => one.value !== one.defaultValue)) message.dispatchEvent(new Event('input', { bubbles: true }));
});
