// A round before it is sent: the ready text with each person's link is copied with one click.
document.querySelectorAll('[data-copy]').forEach((button) => button.addEventListener('click', async () => {
    const text = document.querySelector(button.dataset.copy).value;
    try {
        await navigator.clipboard.writeText(text);
        button.textContent = 'Copied';
    } catch {
        document.querySelector(button.dataset.copy).select();
        button.textContent = 'Press Ctrl+C';
    }
}));
