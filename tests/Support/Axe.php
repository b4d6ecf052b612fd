<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;

/** Looks at the page in front with axe. */
trait Axe
{
    /** What axe leaves out of its tags: good practice, and what is new in WCAG 2.2. */
    private const MORE_RULES = [
        'empty-table-header',
        'heading-order',
        'page-has-heading-one',
        'label-content-name-mismatch',
        'target-size',
    ];

    /**
     * @param 'whole'|'colours'|'sizes' $asked all rules, or only those that a change of theme, or of size, can break
     * @return list<string> what axe finds on the page
     */
    public function axe(string $asked = 'whole'): array
    {
        if ($this->browser?->executeScript('return typeof axe') !== 'object') {
            (new ChromeDevToolsDriver($this->browser))->execute('Runtime.evaluate', [
                'expression' => (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'),
            ]);
        }
        $rules = match ($asked) {
            'whole' => ['type' => 'tag', 'values' => ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']],
            'colours' => ['type' => 'rule', 'values' => ['color-contrast', 'link-in-text-block']],
            'sizes' => [
                'type' => 'rule',
                'values' => ['target-size', 'scrollable-region-focusable', 'heading-order', 'page-has-heading-one'],
            ],
        };
        $more = $asked === 'whole' ? array_fill_keys(self::MORE_RULES, ['enabled' => true]) : (object) [];
        $result = $this->browser?->executeAsyncScript(
            'const [rules, more, done] = arguments; axe.run(document, '.
                "{runOnly: rules, rules: more, preload: false, iframes: false, resultTypes: ['violations']}).then((r) => ".
                "done(r.violations.map((v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.target.join(' ') + ' ' + (n.any[0]?.message ".
                "|| '')).join(' | '))));",
            [$rules, $more],
        );

        return $result;
    }
}
