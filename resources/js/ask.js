// Whose blanks a paper has is who is asked, unless a person chooses otherwise; whoever else is chosen is said.

const people = [...document.querySelectorAll('input[name="to[]"]')];
const papers = [...document.querySelectorAll('input[name="papers[]"]')];
const said = document.querySelector('#not-theirs');
let chosenByHand = people.some((person) => person.checked);

function look() {
    const wanted = papers.filter((paper) => paper.checked && paper.dataset.by);
    const roles = new Set(wanted.map((paper) => paper.dataset.by));
    if (!chosenByHand) people.forEach((person) => { person.checked = roles.has(person.dataset.role); });
    const others = people.filter((person) => person.checked && roles.size > 0 && !roles.has(person.dataset.role));
    said.hidden = others.length === 0 || wanted.length < papers.filter((paper) => paper.checked).length;
    said.textContent = said.hidden ? '' : `${others.map((person) => person.closest('label').innerText.trim()).join(', ')}: these blanks are the ${[...roles].join(' and ')}’s to fill in.`;
}

people.forEach((person) => person.addEventListener('change', () => { chosenByHand = true; look(); }));
papers.forEach((paper) => paper.addEventListener('change', look));
look();
