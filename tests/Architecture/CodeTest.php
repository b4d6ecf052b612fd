<?php

declare(strict_types=1);

use Tests\Support\NamesInCode;

/**
 * Paths of files that something is wrong with.
 *
 * @param array<string, string> $files code by path
 * @param Closure(string): bool $isWrong
 * @return list<string>
 */
function filesWith(array $files, Closure $isWrong): array
{
    return array_keys(array_filter($files, $isWrong));
}

it('keeps core plain PHP: no framework, no application', function () {
    // What makes a letter's HTML harmless is a library of its own, usable without the framework.
    $others = '/^(Illuminate|Laravel|App|Carbon|Database|Symfony(?!\\\\Component\\\\HtmlSanitizer))\\\\/';
    $leans = fn (string $code) => preg_grep($others, NamesInCode::classes($code)) !== [];
    expect(filesWith(NamesInCode::files('core'), $leans))
        ->toBe([])
        ->and($leans('<?php use Illuminate\Support\Str;'))
        ->toBeTrue()
        ->and($leans('<?php return \App\Models\Paper::class;'))
        ->toBeTrue();
});

it('types everything strictly', function () {
    $isLoose = fn (string $code) => ! str_contains($code, "\ndeclare(strict_types=1);\n");
    expect(filesWith(NamesInCode::files('core', 'app', 'tests'), $isLoose))->toBe([]);
});

it('has no class in core that others may extend', function () {
    expect(filesWith(NamesInCode::files('core'), fn (string $code) => ! NamesInCode::isFinal($code)))
        ->toBe([])
        ->and(NamesInCode::isFinal('<?php readonly class Loose {}'))
        ->toBeFalse()
        ->and(NamesInCode::isFinal('<?php final readonly class Tight { function a() { return new class {}; } }'))
        ->toBeTrue();
});

it('starts native programs through one door alone', function () {
    $start = fn (string $code) => array_intersect(
        NamesInCode::calls($code),
        ['proc_open', 'exec', 'shell_exec', 'system', 'passthru', 'popen', 'pcntl_exec'],
    ) !== [];
    expect(filesWith(NamesInCode::files('core', 'app'), $start))
        ->toBe(['app/Bench/Bench.php', 'core/Pages/NativeTool.php'])
        ->and($start('<?php \shell_exec("ls");'))
        ->toBeTrue()
        ->and($start('<?php $db->exec("SELECT 1");'))
        ->toBeFalse();
});

it('leaves nothing behind', function () {
    $isLeft = fn (string $code) => array_intersect(NamesInCode::calls($code), ['dd', 'dump', 'var_dump', 'ray', 'die']) !== [];
    expect(filesWith(NamesInCode::files('core', 'app'), $isLeft))->toBe([])->and($isLeft('<?php die("here");'))->toBeTrue();
});

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
