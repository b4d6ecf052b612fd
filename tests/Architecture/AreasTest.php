<?php

declare(strict_types=1);

/*
 * The map of the house: which area may lean on which. An arrow that is not here is a decision to be made, not an import
 * to be added. Classes marked @internal are an area's own; in app/, so are its controllers, commands and jobs.
 */

const CORE = [
    'Access' => [],
    'Commission' => ['Terms', 'Files', 'Money', 'Pages', 'Review'],
    'Dates' => ['Pages'],
    'Evidence' => ['Pages'],
    'Exchange' => ['Dates', 'Files', 'Money', 'Pages', 'Terms'],
    'Files' => ['Terms'],
    'Finding' => ['Dates'],
    'Forms' => ['Dates', 'Money', 'Pages', 'Signing', 'Terms'],
    'History' => [],
    'Intake' => ['Evidence', 'Finding', 'Pages'],
    'Money' => [],
    'Pages' => [],
    'Requirements' => ['Dates', 'Money', 'Terms'],
    'Review' => ['Files'],
    'Signing' => ['Files', 'Pages'],
    'Terms' => ['Dates', 'Money', 'Pages'],
];

/** Who in app/ may not lean on whom: what lies below knows nothing of what stands on it. */
const NEVER = [
    'History' => ['Files', 'Papers', 'Signing', 'Review', 'Commission', 'Mail', 'Intake', 'Office', 'Demo'],
    'Requirements' => ['Signing', 'Review', 'Commission', 'Mail', 'Intake', 'Demo'],
    'Exchange' => ['Files', 'Papers', 'Signing', 'Review', 'Commission', 'Mail', 'Demo'],
    'Intake' => ['Signing', 'Review', 'Commission', 'Demo'],
    'Papers' => ['Signing', 'Commission', 'Mail', 'Intake', 'Demo', 'Assembly'],
    'Assembly' => ['Signing', 'Review', 'Commission', 'Intake', 'Demo'],
    'Review' => ['Commission', 'Mail', 'Intake', 'Demo'],
    'Commission' => ['Signing', 'Mail', 'Intake', 'Demo'],
    'Files' => ['Mail', 'Intake', 'Demo'],
    'Signing' => ['Commission', 'Intake', 'Demo'],
    'Mail' => ['Commission', 'Intake', 'Demo', 'Review'],
    'Office' => ['Signing', 'Commission', 'Review', 'Demo'],
];

/**
 * What each file names of other areas of its side.
 *
 * @return list<array{file: string, area: string, of: string, class: string}>
 */
function leanings(string $folder, string $namespace): array
{
    $root = dirname(__DIR__, 2);
    $found = [];
    foreach (new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}")), '/\.php$/') as $file) {
        $path = substr((string) $file, strlen($root) + 1);
        $area = explode('/', $path)[1];
        preg_match_all('/\b'.$namespace.'\\\\(\w+)\\\\([\w\\\\]+)/', (string) file_get_contents((string) $file), $names, PREG_SET_ORDER);
        foreach ($names as [, $of, $class]) {
            if ($of !== $area) {
                $found[] = ['file' => $path, 'area' => $area, 'of' => $of, 'class' => $class];
            }
        }
    }

    return $found;
}

it('draws every area of core on the map, and the map has no circle', function () {
    $areas = array_map('basename', glob(dirname(__DIR__, 2).'/core/*', GLOB_ONLYDIR) ?: []);
    expect(array_keys(CORE))->toEqualCanonicalizing($areas);
    $left = CORE;
    while ($left !== []) {
        $free = array_keys(array_filter($left, fn (array $on) => array_intersect($on, array_keys($left)) === []));
        expect($free)->not->toBe([], 'these lean on each other in a circle: '.implode(', ', array_keys($left)));
        $left = array_diff_key($left, array_flip($free));
    }
});

it('lets areas of core lean only where the map says', function () {
    $wrong = array_filter(leanings('core', 'Unanimus'), fn (array $lean) => ! in_array($lean['of'], CORE[$lean['area']], true));
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});

it('keeps what an area of core marks as its own to that area, and the application out of it too', function () {
    $root = dirname(__DIR__, 2);
    $own = fn (array $lean) => str_contains((string) @file_get_contents("{$root}/core/{$lean['of']}/".str_replace('\\', '/', $lean['class']).'.php'), '@internal');
    $wrong = array_filter([...leanings('core', 'Unanimus'), ...leanings('app', 'Unanimus')], $own);
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([])
        ->and(shell_exec('grep -rl "@internal" '.escapeshellarg("{$root}/core")))->not->toBeEmpty();
});

it('keeps controllers, commands and jobs to their own area', function () {
    $wrong = array_filter(leanings('app', 'App'), fn (array $lean) => preg_match('/^(Http|Console|Jobs)\\\\/', $lean['class']) === 1);
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});

it('lets nothing in app lean on what stands on it', function () {
    $wrong = array_filter(leanings('app', 'App'), fn (array $lean) => in_array($lean['of'], NEVER[$lean['area']] ?? [], true));
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});
