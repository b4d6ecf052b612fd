<?php

declare(strict_types=1);

arch('core is plain PHP: no framework, no application')
    ->expect('Unanimus')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Symfony', 'Carbon', 'Database']);

arch('everything is strictly typed')->expect(['Unanimus', 'App'])->toUseStrictTypes();

arch('core classes are final')
    ->expect('Unanimus')
    ->classes()
    ->toBeFinal();

arch('only the one door starts native programs')
    ->expect(['proc_open', 'exec', 'shell_exec', 'system', 'passthru', 'popen'])
    ->not->toBeUsedIn(['Unanimus\Commission', 'Unanimus\Dates', 'Unanimus\Evidence', 'Unanimus\Exchange', 'Unanimus\Files', 'Unanimus\Forms', 'Unanimus\History', 'Unanimus\Money', 'Unanimus\Requirements', 'Unanimus\Review', 'Unanimus\Signing', 'Unanimus\Terms', 'App']);

arch('money and dates know nothing of the areas that use them')
    ->expect('Unanimus\Money')
    ->not->toUse(['Unanimus\Commission', 'Unanimus\Forms', 'Unanimus\Signing', 'Unanimus\Terms', 'Unanimus\Dates']);

arch('the pages know nothing of forms, signing or money')
    ->expect('Unanimus\Pages')
    ->not->toUse(['Unanimus\Forms', 'Unanimus\Signing', 'Unanimus\Commission', 'Unanimus\Terms', 'Unanimus\Evidence']);

arch('controllers decide nothing: no locks and no raw changes to rows')
    ->expect('App\Files\Http')
    ->not->toUse(['lockForUpdate']);

arch('nothing is left behind')->expect(['dd', 'dump', 'var_dump', 'ray', 'die'])->not->toBeUsed();

it('names no file longer than 400 lines', function (string $file) {
    expect(count(file($file)))->toBeLessThanOrEqual(400, $file);
})->with(function () {
    $root = dirname(__DIR__, 2);
    foreach (['core', 'app', 'tests'] as $folder) {
        foreach (new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}")), '/\.php$/') as $file) {
            yield [(string) $file];
        }
    }
});
