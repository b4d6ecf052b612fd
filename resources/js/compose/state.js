// What stands on the desk, and where on the page.
export const desk = document.querySelector('#compose-desk');
export const round = desk.dataset.round;
export const state = { ...JSON.parse(document.querySelector('#desk-data').textContent), seat: null, kind: 'signature', chosen: null, more: new Set() };
state.seat = state.seats[0]?.seat ?? null;

export const pages = [...document.querySelectorAll('.page[data-paper]')];
export const seatOf = (seat) => state.seats.find((one) => one.seat === seat) ?? { label: seat.replace('.', ' '), tone: 'other', name: seat };
export const find = (key) => state.marks.find((mark) => mark.key === key);
export const pageOf = (mark) => pages.find((page) => Number(page.dataset.paper) === mark.paper && Number(page.dataset.number) === mark.page);
export const copy = (mark) => ({ ...mark, place: [...mark.place], terms: { ...mark.terms } });

// What is chosen, the first one first.
export const selected = () => [state.chosen, ...state.more].map(find).filter(Boolean);
