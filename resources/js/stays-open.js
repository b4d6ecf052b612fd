// A part of a page that brings itself up to date leaves open what somebody opened in it.
let open = [];

document.addEventListener('htmx:beforeSwap', (event) => {
    open = [...event.detail.target.querySelectorAll('details[id][open]:not([hx-preserve])')].map((one) => one.id);
});
document.addEventListener('htmx:afterSwap', () => {
    open.forEach((id) => document.getElementById(id)?.setAttribute('open', ''));
    open = [];
});
