import { defineConfig } from 'vite';
import laravel from 'laravel-vite-plugin';

export default defineConfig({
    plugins: [
        laravel({
            input: ['resources/scss/app.scss', 'resources/js/app.js', 'resources/js/signer.js', 'resources/js/paper.js', 'resources/js/round.js', 'resources/js/compose.js', 'resources/js/finder.js', 'resources/js/bring.js', 'resources/js/own-form.js', 'resources/js/layer.js', 'resources/js/zoom.js', 'resources/js/assemble.js', 'resources/js/review.js', 'resources/js/review-pages.js', 'resources/js/ask.js', 'resources/js/beside.js', 'resources/js/sorting.js', 'resources/js/bring-papers.js', 'resources/js/writing.js'],
            refresh: false,
        }),
    ],
    css: { preprocessorOptions: { scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] } } },
    build: { assetsInlineLimit: 0 },
});
