// Says something at the top of the page, to eyes and ears.
export function tell(text) {
    const place = document.querySelector('#said');
    if (place) {
        place.textContent = text;
        place.hidden = false;
    }
}
