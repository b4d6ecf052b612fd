<?php

declare(strict_types=1);

arch('core is plain PHP: no framework, no application')
    ->expect('Unanimus')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Symfony', 'Carbon', 'Database']);

arch('everything is strictly typed')
    ->expect(['Unanimus', 'App'])
    ->toUseStrictTypes();

arch('core classes are final')->expect('Unanimus')->classes()->toBeFinal();

arch('only the one door starts native programs')
    ->expect(['proc_open', 'exec', 'shell_exec', 'system', 'passthru', 'popen'])
    ->not->toBeUsedIn([
        'Unanimus\Commission',
        'Unanimus\Dates',
        'Unanimus\Evidence',
        'Unanimus\Exchange',
        'Unanimus\Files',
        'Unanimus\Forms',
        'Unanimus\History',
        'Unanimus\Money',
        'Unanimus\Requirements',
        'Unanimus\Review',
        'Unanimus\Signing',
        'Unanimus\Terms',
        'App',
    ]);

arch('money and dates know nothing of the areas that use them')
    ->expect('Unanimus\Money')
    ->not->toUse(['Unanimus\Commission', 'Unanimus\Forms', 'Unanimus\Signing', 'Unanimus\Terms', 'Unanimus\Dates']);

arch('the pages know nothing of forms, signing or money')
    ->expect('Unanimus\Pages')
    ->not->toUse(['Unanimus\Forms', 'Unanimus\Signing', 'Unanimus\Commission', 'Unanimus\Terms', 'Unanimus\Evidence']);

/** Lines of a controller that change or lock rows. @return list<string> */
function changesIn(string $code): array
{
    $changes =
        '/->(update|save|delete|create|forceFill|forceDelete|insert\w*|upsert|increment|decrement|firstOrCreate|updateOrCreate|touch|'.
        'push|attach|detach|sync|lockForUpdate|sharedLock)\(|'.
        '::(create|insert|upsert|updateOrCreate|firstOrCreate)\(|DB::(statement|insert|update|delete|unprepared|transaction)\(/';

    return array_values(
        preg_grep('/session\(\)|->create\(.*Validator/', preg_grep($changes, explode("\n", $code)) ?: [], PREG_GREP_INVERT) ?: [],
    );
}

it('lets controllers change nothing themselves: actions do, with their history', function () {
    $wrong = [];
    foreach (glob(dirname(__DIR__, 2).'/app/*/Http/*.php') ?: [] as $path) {
        foreach (changesIn((string) file_get_contents($path)) as $line) {
            $wrong[] = basename($path).': '.trim($line);
        }
    }
    expect($wrong)
        ->toBe([])
        ->and(
            changesIn(
                "\$file->update(['status' => 'closed']);\n\$request->session()->put('x', ".
                    "1);\nDB::table('rounds')->lockForUpdate()->first();\nPaper::create([]);",
            ),
        )
        ->toHaveCount(3);
});

arch('nothing is left behind')
    ->expect(['dd', 'dump', 'var_dump', 'ray', 'die'])
    ->not->toBeUsed();

it('names no file longer than 400 lines', function (string $file) {
    expect(count(file($file)))->toBeLessThanOrEqual(400, $file);
})->with(function () {
    $root = dirname(__DIR__, 2);
    foreach (['core', 'app', 'tests'] as $folder) {
        foreach (
            new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}")), '/\.php$/') as $file
        ) {
            yield [(string) $file];
        }
    }
});

it('keeps lines to 140 columns, in PHP and in templates', function () {
    $root = dirname(__DIR__, 2);
    $long = [];
    foreach (['core', 'app', 'database', 'lang', 'routes', 'config', 'resources/views', 'tests'] as $folder) {
        $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}"));
        foreach (new RegexIterator($files, '/(?<!widths)\.php$/') as $file) {
            foreach (file((string) $file, FILE_IGNORE_NEW_LINES) ?: [] as $number => $line) {
                mb_strlen($line) <= 140 || ($long[] = substr((string) $file, strlen($root) + 1).':'.($number + 1));
            }
        }
    }
    expect($long)->toBe([]);
});
