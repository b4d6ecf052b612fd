<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;

/**
 * A command of the application, on this installation's database or another of the same machine.
 *
 * @param list<string> $command
 * @return array{int, string} its code, and what it said
 */
function moving(array $command, string $database, bool $asOwner = false): array
{
    $state = testState();
    $with = ['DB_DATABASE='.$database, "APP_CONFIG_CACHE={$state}/cache/none.php"];
    $asOwner && $with[] = 'DB_OWNER_PASSWORD='.trim((string) file_get_contents("{$state}/secrets/owner"));
    $said = [];
    exec('env '.implode(' ', array_map(escapeshellarg(...), [...$with, 'php', dirname(__DIR__, 2).'/artisan', ...$command])).' 2>&1',
        $said, $code);

    return [$code, implode("\n", $said)];
}

/** The database server as its owner. */
function databaseOwner(string $database): PDO
{
    $state = testState();
    $word = trim((string) file_get_contents("{$state}/secrets/owner"));
    $env = parse_ini_file("{$state}/.env", false, INI_SCANNER_RAW) ?: [];

    return new PDO("pgsql:host=127.0.0.1;port={$env['DB_PORT']};dbname={$database}", 'unanimus_owner', $word, [
        PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
    ]);
}

it('moves a whole brokerage into an empty installation and out again, the second folder like the first', function () {
    /** @var BrowserCase $this */
    $root = sys_get_temp_dir().'/unanimus-moving-'.bin2hex(random_bytes(4));
    mkdir($root);
    databaseOwner('postgres')->exec('DROP DATABASE IF EXISTS moved');
    databaseOwner('postgres')->exec('CREATE DATABASE moved');
    try {
        [$code, $said] = moving(['migrate', '--force', '--database=owner'], 'moved', true);
        expect($code)->toBe(0, $said);
        [$code, $said] = moving(['brokerage:export', "{$root}/one"], 'unanimus');
        expect($code)->toBe(0, $said);
        // What is not whole is not taken in, not even in part.
        $paper = glob("{$root}/one/data/bytes/*/*")[0];
        rename($paper, "{$paper}.away");
        [$code, $said] = moving(['brokerage:import', "{$root}/one"], 'moved', true);
        expect($code)->toBe(1)->and($said)->toContain('is missing');
        rename("{$paper}.away", $paper);
        [$code, $said] = moving(['brokerage:import', "{$root}/one"], 'moved', true);
        expect($code)->toBe(0, $said);
        [$code, $said] = moving(['brokerage:import', "{$root}/one"], 'moved', true);
        expect($code)->toBe(1)->and($said)->toContain('already');
        [$code, $said] = moving(['brokerage:export', "{$root}/two"], 'moved');
        expect($code)->toBe(0, $said);
        exec("diff -rq {$root}/one {$root}/two", $differences);
        expect($differences)->toBe([]);
        // Its histories hold, its next rows have numbers of their own, and it is found by words.
        [$code, $said] = moving(['history:verify'], 'moved');
        expect($code)->toBe(0)->and($said)->toContain(' 0 broken');
        $moved = databaseOwner('moved');
        expect($moved->query('SELECT count(*) FROM deal_files')->fetchColumn())->toBe(one('SELECT count(*) FROM deal_files'))
            ->and($moved->query('SELECT count(*) FROM search_words')->fetchColumn())->toBeGreaterThan(10)
            ->and($moved->query("SELECT nextval('deal_files_id_seq') > (SELECT max(id) FROM deal_files)")->fetchColumn())->toBeTrue();
        // What is not the brokerage's any more goes from the folder, and nothing of a folder that holds something else.
        file_put_contents("{$root}/two/data/files/left over.pdf", 'of a file that was renamed');
        mkdir("{$root}/other");
        file_put_contents("{$root}/other/mine.txt", 'mine');
        [$code, $said] = moving(['brokerage:export', "{$root}/other"], 'moved');
        expect($code)->toBe(1)->and($said)->toContain('holds something else')->and(file_get_contents("{$root}/other/mine.txt"))
            ->toBe('mine');
        // Cut off and begun again, it is whole; until then it is no bag.
        unlink("{$root}/two/manifest-sha256.txt");
        file_put_contents(glob("{$root}/two/data/bytes/*/*")[0], 'half');
        expect(moving(['brokerage:import', "{$root}/two"], 'moved', true)[1])->toContain('no bag');
        [$code, $said] = moving(['brokerage:export', "{$root}/two"], 'moved');
        expect($code)->toBe(0, $said);
        exec("diff -rq {$root}/one {$root}/two", $again);
        expect($again)->toBe([]);
    } finally {
        databaseOwner('postgres')->exec('DROP DATABASE IF EXISTS moved WITH (FORCE)');
        exec('rm -rf '.escapeshellarg($root));
    }
});
