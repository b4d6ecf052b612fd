// That a request comes from a page of ours, and for whom the page was made. The first is taken from the cookie as it
// stands now: whoever signed in again in another tab goes on here with what waits. Someone else who did is refused.
export const who = document.querySelector('meta[name=who]')?.content ?? '';

export function proof(forWhom = who) {
    const cookie = document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]+)/);
    return {
        ...(cookie ? { 'X-XSRF-TOKEN': decodeURIComponent(cookie[1]) } : { 'X-CSRF-TOKEN': document.querySelector('meta[name=csrf-token]').content }),
        ...(forWhom ? { 'X-Person': forWhom } : {}),
    };
}
