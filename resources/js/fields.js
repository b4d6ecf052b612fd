// What a field showed before anyone typed into it: what was saved last, or what the page came with.
export function standsIn(field) {
    if (field.dataset.stands !== undefined) return field.dataset.stands;
    return field.tagName === 'SELECT' ? [...field.options].find((option) => option.defaultSelected)?.value ?? '' : field.defaultValue;
}

// The fields of a form that were changed on this page.
export function changedIn(form) {
    return [...form.querySelectorAll('input:not([type=hidden], [type=checkbox]), select, textarea')]
        .map((field) => ({ field, value: field.value, before: standsIn(field) }))
        .filter((one) => one.value !== one.before);
}
