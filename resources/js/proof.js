// That a request comes from a page of this house. Taken from the cookie as it stands now: whoever signed in again in
// another tab goes on here with what waits.
export function proof() {
    const cookie = document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]+)/);
    return cookie ? { 'X-XSRF-TOKEN': decodeURIComponent(cookie[1]) } : { 'X-CSRF-TOKEN': document.querySelector('meta[name=csrf-token]').content };
}
