<?php

declare(strict_types=1);

/*
 * The map: which area may lean on which. An arrow that is not here is a decision to be made, not an import
 * to be added. Classes marked @internal are an area's own; in app/, so are its controllers, commands and jobs.
 * Models lie at the bottom and know no board, shelf or cache.
 */

const CORE = [
    'Access' => ['Steps'],
    'Api' => ['Files', 'Steps', 'Terms'],
    'Commission' => ['Dates', 'Exchange', 'Files', 'Money', 'Pages', 'Parties', 'Review', 'Steps', 'Terms'],
    'Dates' => ['Pages', 'Steps'],
    'Evidence' => ['Dates', 'Pages'],
    'Exchange' => ['Dates', 'Files', 'Money', 'Pages', 'Parties', 'Steps', 'Terms'],
    'Files' => ['Dates', 'Parties', 'Steps', 'Terms'],
    'Finding' => ['Dates'],
    'Forms' => ['Dates', 'Money', 'Pages', 'Parties', 'Signing', 'Steps', 'Terms'],
    'History' => [],
    'Intake' => ['Evidence', 'Finding', 'Forms', 'Messages', 'Pages', 'Steps'],
    'Messages' => ['Dates', 'Files', 'Parties', 'Steps', 'Terms'],
    'Money' => [],
    'Moving' => ['Dates', 'Exchange', 'Finding', 'Steps', 'Terms'],
    'Notices' => ['Steps'],
    'Pages' => ['Steps'],
    'Parties' => [],
    'Requirements' => ['Dates', 'Money', 'Parties', 'Steps', 'Terms'],
    'Reports' => ['Dates', 'Money', 'Pages', 'Review'],
    'Retention' => ['Dates', 'Files', 'Parties', 'Steps'],
    'Roster' => ['Dates', 'Parties', 'Steps'],
    'Running' => [],
    'Review' => ['Dates', 'Files', 'Finding', 'Forms', 'Pages', 'Signing', 'Steps', 'Terms'],
    'Shelf' => ['Files', 'Pages', 'Steps'],
    'Signing' => ['Dates', 'Files', 'Money', 'Pages', 'Parties', 'Steps', 'Terms'],
    'Steps' => [],
    'Terms' => ['Dates', 'Money', 'Pages', 'Parties', 'Steps'],
];

/** The application, from what everything stands on to what stands on everything; demo and measurements use it as a person would. */
const APP = [
    'Exchange' => [],
    'Models' => [],
    'Storage' => [],
    'Access' => ['Models'],
    'Terms' => ['Models'],
    'Work' => ['Models'],
    'History' => ['Access', 'Models'],
    'Mail' => ['Access', 'Models', 'Storage', 'Terms', 'Work'],
    'Policies' => ['Access', 'Models'],
    'Requirements' => ['History', 'Models', 'Terms'],
    'Commission' => ['Assembly', 'History', 'Mail', 'Models', 'Requirements', 'Storage', 'Terms'],
    'Files' => ['Exchange', 'History', 'Models', 'Requirements', 'Storage', 'Terms', 'Work'],
    'Office' => ['Access', 'Files', 'History', 'Mail', 'Models'],
    'Papers' => ['Access', 'Files', 'History', 'Models', 'Storage', 'Terms', 'Work'],
    'Intake' => ['Files', 'History', 'Mail', 'Models', 'Papers', 'Storage', 'Terms', 'Work'],
    'Assembly' => ['History', 'Mail', 'Models', 'Papers', 'Storage', 'Terms', 'Work'],
    'Forms' => ['History', 'Mail', 'Models', 'Papers', 'Storage', 'Terms'],
    'Help' => ['Terms'],
    'Messages' => ['Assembly', 'Files', 'History', 'Mail', 'Models', 'Papers', 'Shelf', 'Storage', 'Terms', 'Work'],
    'Moving' => ['Assembly', 'Files', 'History', 'Models', 'Office', 'Papers', 'Requirements', 'Storage', 'Terms', 'Work'],
    'Overview' => ['Files', 'Mail', 'Models', 'Papers', 'Terms'],
    'Notices' => ['History', 'Mail', 'Models', 'Overview', 'Terms'],
    'Reports' => ['Work', 'Commission', 'Mail', 'Models', 'Storage'],
    'Roster' => ['Files', 'History', 'Mail', 'Messages', 'Models', 'Office', 'Terms', 'Work'],
    'Retention' => ['History', 'Mail', 'Models', 'Papers', 'Storage', 'Work'],
    'Running' => ['Access', 'History', 'Models', 'Storage', 'Work'],
    'Api' => ['Access', 'Files', 'History', 'Models', 'Papers', 'Storage', 'Work'],
    'Review' => ['History', 'Mail', 'Models', 'Papers', 'Storage', 'Terms'],
    'Shelf' => ['History', 'Models', 'Papers', 'Storage', 'Terms', 'Work'],
    'Signing' => ['Access', 'Files', 'Forms', 'History', 'Mail', 'Models', 'Papers', 'Shelf', 'Storage', 'Terms', 'Work'],
    'Providers' => ['Access', 'Exchange', 'Forms', 'Models', 'Office', 'Policies', 'Requirements', 'Signing', 'Storage'],
    'Demo' => null,
    'Bench' => null,
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
        preg_match_all(
            '/\b'.$namespace.'\\\\(\w+)\\\\([\w\\\\]+)/',
            (string) file_get_contents((string) $file),
            $names,
            PREG_SET_ORDER,
        );
        foreach ($names as [, $of, $class]) {
            if ($of !== $area) {
                $found[] = ['file' => $path, 'area' => $area, 'of' => $of, 'class' => $class];
            }
        }
    }

    return $found;
}

it('draws every area on the map, and the map has no circle', function (string $folder, array $map) {
    $areas = array_map('basename', glob(dirname(__DIR__, 2)."/{$folder}/*", GLOB_ONLYDIR) ?: []);
    expect(array_keys($map))->toEqualCanonicalizing($areas);
    $left = array_map(fn (?array $on) => $on ?? array_diff($areas, ['Demo', 'Bench']), $map);
    while ($left !== []) {
        $free = array_keys(array_filter($left, fn (array $on) => array_intersect($on, array_keys($left)) === []));
        expect($free)->not->toBe([], 'these lean on each other in a circle: '.implode(', ', array_keys($left)));
        $left = array_diff_key($left, array_flip($free));
    }
})->with([['core', CORE], ['app', APP]]);

it('lets areas of core lean only where the map says', function () {
    $wrong = array_filter(leanings('core', 'Unanimus'), fn (array $lean) => ! in_array($lean['of'], CORE[$lean['area']], true));
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});

it('keeps what an area of core marks as its own to that area, and the application out of it too', function () {
    $root = dirname(__DIR__, 2);
    $own = fn (array $lean) => str_contains(
        (string) @file_get_contents("{$root}/core/{$lean['of']}/".str_replace('\\', '/', $lean['class']).'.php'),
        '@internal',
    );
    $wrong = array_filter([...leanings('core', 'Unanimus'), ...leanings('app', 'Unanimus')], $own);
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))
        ->toBe([])
        ->and(shell_exec('grep -rl "@internal" '.escapeshellarg("{$root}/core")))
        ->not->toBeEmpty();
});

it('keeps controllers, commands and jobs to their own area', function () {
    $wrong = array_filter(leanings('app', 'App'), fn (array $lean) => preg_match('/^(Http|Console|Jobs)\\\\/', $lean['class']) === 1);
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});

it('lets areas of the application lean only where the map says', function () {
    $wrong = array_filter(
        leanings('app', 'App'),
        fn (array $lean) => APP[$lean['area']] !== null && ! in_array($lean['of'], APP[$lean['area']], true),
    );
    expect(array_map(fn (array $lean) => "{$lean['file']} uses {$lean['of']}\\{$lean['class']}", array_values($wrong)))->toBe([]);
});
