<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\PostRoom;
use Tests\Support\Visitor;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Pages\Scratch;

/** @param  list<string>  $command */
function artisanProcess(array $command): mixed
{
    $process = proc_open(
        ['php', dirname(__DIR__, 2).'/artisan', ...$command],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
        $pipes,
        dirname(__DIR__, 2),
        [...getenv(), 'APP_ENV' => 'test', 'MAIL_MAILER' => 'smtp', 'CACHE_STORE' => 'database', 'SESSION_DRIVER' => 'database'],
    );

    return is_resource($process) ? $process : throw new RuntimeException('artisan does not start');
}

function worker(string $what): void
{
    $state = testState();
    exec("supervisorctl -c {$state}/run/supervisor.conf {$what} sealing 2>&1", $said, $code);
}

/**
 * A fresh round of one paper in a new file, sent, with the letters out.
 *
 * @return array{string, list<string>} round key and the three addresses
 */
function sentRound(Visitor $agent, string $name): array
{
    $slug = strtolower($name);
    $agent->signIn('tomas@quillmark.example');
    $file = $agent->post('/files', ['first' => "{$name} Ashdown", 'represents' => 'buyer']);
    preg_match('~/files/(\w{26})~', $file, $m);
    foreach ([1, 2] as $number) {
        $agent->put("/files/{$m[1]}/parties/buyer.{$number}", [
            'name' => "{$name} Ashdown {$number}",
            'email' => "{$slug}{$number}@client.example",
        ]);
    }
    $agent->put("/files/{$m[1]}/facts", ['name' => 'offer_date', 'value' => '11/23/2026']);
    $paper = (string) one(
        "SELECT p.key FROM papers p JOIN deal_files f ON f.id = p.deal_file_id WHERE f.key = '{$m[1]}' AND p.form_number = 'M-102'",
    );
    preg_match('~/rounds/(\w{26})~', $agent->post("/files/{$m[1]}/rounds", ['papers' => [$paper]]), $r);
    $agent->post("/rounds/{$r[1]}/send", []);

    return [$r[1], ["{$slug}1@client.example", "{$slug}2@client.example"]];
}

/** Everything a signer does up to the last click. */
function upToFinish(string $link, string $seat, string $round): Visitor
{
    $visitor = new Visitor(BrowserCase::url());
    $visitor->get($link);
    $visitor->post("{$link}/consent", ['agree' => '1']);
    $visitor->post("{$link}/adopt", ['name' => "Signer {$seat}", 'initials' => 'SX', 'hand' => 'plain']);
    foreach (
        ledger()
            ->query(
                "SELECT k.key FROM marks k JOIN rounds r ON r.id = k.round_id WHERE r.key = '{$round}' AND k.seat = '{$seat}' AND k.kind ".
                    "IN ('signature', 'initials')",
            )
            ->fetchAll(PDO::FETCH_COLUMN) as $mark
    ) {
        $visitor->post("{$link}/marks/{$mark}", []);
    }

    return $visitor;
}

it('takes two signers who finish at the same moment, each clicking twice, to one next turn', function () {
    [$round, $addresses] = sentRound(new Visitor(BrowserCase::url()), 'Perpetua');
    $post = new PostRoom();
    $ready = [];
    foreach ($addresses as $index => $address) {
        $link = parse_url($post->link($address), PHP_URL_PATH);
        $ready[] = [upToFinish($link, 'buyer.'.($index + 1), $round), "{$link}/finish"];
    }
    Visitor::together([...$ready, ...$ready, ...$ready]);
    $id = one("SELECT id FROM rounds WHERE key = '{$round}'");
    expect(one("SELECT count(*) FROM round_events WHERE round_id = {$id} AND kind = 'finished'"))
        ->toBe(2)
        ->and(one("SELECT status FROM signers WHERE round_id = {$id} AND seat = 'agent.1'"))
        ->toBe('invited')
        ->and(
            one(
                "SELECT count(*) FROM letters WHERE once_key LIKE 'invite:%' AND recipient = 'tomas@quillmark.example' AND deal_file_id = ".
                    "(SELECT deal_file_id FROM rounds WHERE id = {$id})",
            ),
        )
        ->toBe(1);
});

it('makes exactly one sealed set, though the worker is killed in the middle of it', function () {
    [$round, $addresses] = sentRound(new Visitor(BrowserCase::url()), 'Malachi');
    $id = one("SELECT id FROM rounds WHERE key = '{$round}'");
    $post = new PostRoom();
    foreach ([...$addresses, 'tomas@quillmark.example'] as $index => $address) {
        if ($index === 2) {
            $this->eventually(
                fn () => one(
                    "SELECT sent_at FROM letters WHERE once_key LIKE 'invite:%' AND recipient = '{$address}' AND deal_file_id = (SELECT ".
                        "deal_file_id FROM rounds WHERE id = {$id})",
                ) ?:
                null,
                'the agent got no letter',
            );
            worker('stop');
        }
        $link = parse_url($post->link($address, 'Please sign', 'purchase'), PHP_URL_PATH);
        upToFinish($link, ['buyer.1', 'buyer.2', 'agent.1'][$index], $round)->post("{$link}/finish", []);
    }
    expect(one("SELECT status FROM rounds WHERE id = {$id}"))->toBe('complete');

    // Killed again and again, a little later each time, until it once came through.
    $kills = 0;
    for (
        $delay = 60_000;
        $delay < 900_000 && (int) one("SELECT count(*) FROM sealed_sets WHERE round_paper_id IS NULL AND round_id = {$id}") === 0;
        $delay += 90_000
    ) {
        ledger()->exec("UPDATE jobs SET reserved_at = NULL, attempts = 0, available_at = 0 WHERE queue = 'sealing'");
        $process = artisanProcess(['queue:work', '--once', '--queue=sealing', '--sleep=0', '--tries=20']);
        $this->eventually(
            fn () => (int) one("SELECT count(*) FROM jobs WHERE queue = 'sealing' AND reserved_at IS NOT NULL") > 0 ||
            ! proc_get_status($process)['running'] ?:
            null,
            'the worker took no job',
        );
        usleep($delay);
        posix_kill(proc_get_status($process)['pid'], SIGKILL);
        proc_close($process);
        $kills++;
        $sets = (int) one("SELECT count(*) FROM sealed_sets WHERE round_paper_id IS NULL AND round_id = {$id}");
        expect(
            (int) one(
                "SELECT count(*) FROM paper_versions v JOIN round_papers rp ON rp.paper_id = v.paper_id WHERE rp.round_id = {$id} AND ".
                    "v.made_by = 'signed'",
            ),
        )->toBe($sets);
    }
    ledger()->exec("UPDATE jobs SET reserved_at = NULL, attempts = 0, available_at = 0 WHERE queue = 'sealing'");
    worker('start');
    $this->eventually(
        fn () => (int) one("SELECT count(*) FROM sealed_sets WHERE round_paper_id IS NULL AND round_id = {$id}") === 1 &&
        (int) one("SELECT count(*) FROM jobs WHERE queue IN ('sealing', 'letters')") === 0 ?:
        null,
        'could not seal the documents after all',
        30,
    );
    expect($kills)
        ->toBeGreaterThan(0)
        ->and((int) one("SELECT count(*) FROM sealed_sets WHERE round_paper_id IS NULL AND round_id = {$id}"))
        ->toBe(1)
        ->and((int) one("SELECT count(*) FROM letters WHERE once_key LIKE 'finished:{$round}:%'"))
        ->toBe(3)
        ->and(SealCheck::of($post->attachment($addresses[0], 'Signed by everyone'), BrowserCase::trusted())->answer)
        ->toBe(SealAnswer::Holds)
        ->and((int) one('SELECT count(*) FROM failed_jobs'))
        ->toBe(0);
});

it('stores each of many entries sent at once, none twice', function () {
    $agent = new Visitor(BrowserCase::url());
    $agent->signIn('tomas@quillmark.example');
    $paper = (string) one(
        'SELECT p.key FROM papers p JOIN deal_files f ON f.id = p.deal_file_id JOIN parties y ON y.deal_file_id = f.id WHERE y.name = '.
            "'Perpetua Ashdown 1' AND p.form_number = 'M-201'",
    );
    $calls = [];
    foreach (range(1, 12) as $n) {
        $calls[] = [$agent, "/papers/{$paper}/entries", ['blank' => 'excluded', 'value' => "lamp {$n}", 'key' => "at-once-{$n}"]];
        $calls[] = [$agent, "/papers/{$paper}/entries", ['blank' => 'excluded', 'value' => "lamp {$n}", 'key' => "at-once-{$n}"]];
    }
    Visitor::together($calls);
    expect(
        (int) one(
            "SELECT count(*) FROM paper_entries e JOIN papers p ON p.id = e.paper_id WHERE p.key = '{$paper}' AND e.client_key LIKE ".
                "'web:at-once-%'",
        ),
    )
        ->toBe(12)
        ->and(
            (int) one(
                "SELECT count(*) FROM paper_values v JOIN papers p ON p.id = v.paper_id WHERE p.key = '{$paper}' AND v.blank = 'excluded'",
            ),
        )
        ->toBe(1);
});

it('keeps the history chain whole under all of it, and tells when it is broken', function () {
    $verify = static function (): array {
        exec('php '.escapeshellarg(dirname(__DIR__, 2).'/artisan').' history:verify 2>&1', $said, $code);

        return [$code, implode("\n", $said)];
    };
    expect($verify()[0])->toBe(0, $verify()[1]);
    $id = (int) one("SELECT id FROM history WHERE what = 'Term changed' ORDER BY id DESC LIMIT 1");
    $after = (string) one("SELECT data FROM history WHERE id = {$id}");
    ledger()->exec('ALTER TABLE history DISABLE TRIGGER history_is_append_only');
    ledger()->exec("UPDATE history SET data = jsonb_set(data, '{after}', '\"tampered\"') WHERE id = {$id}");
    [$code, $said] = $verify();
    ledger()
        ->prepare('UPDATE history SET data = ? WHERE id = ?')
        ->execute([$after, $id]);
    ledger()->exec('ALTER TABLE history ENABLE TRIGGER history_is_append_only');
    expect($code)->toBe(1)->and($said)->toContain('was changed, moved or taken out')->and($verify()[0])->toBe(0);
});

it('keeps a brokerage to the people and the room that its operator said, and takes nothing away', function () {
    $count = (int) one('SELECT count(*) FROM users WHERE brokerage_id = 1 AND active AND NOT guest');
    [$administrator, $coordinator] = [new Visitor(BrowserCase::url()), new Visitor(BrowserCase::url())];
    $administrator->signIn('fenna@quillmark.example');
    $coordinator->signIn('wendell@quillmark.example');
    $invites = static fn (string $name) => $administrator->post('/people', [
        'name' => $name,
        'email' => strtolower($name).'@quillmark.example',
        'office' => (string) one('SELECT key FROM offices WHERE brokerage_id = 1 ORDER BY id LIMIT 1'),
        'role' => 'agent',
    ]);
    $file = (string) one("SELECT f.key FROM deal_files f JOIN file_members m ON m.deal_file_id = f.id
        JOIN users u ON u.id = m.user_id
        WHERE u.email = 'wendell@quillmark.example' AND f.status = 'under_contract' ORDER BY f.id LIMIT 1");
    $scratch = new Scratch();
    $pdf = $scratch->put('survey.pdf', "%PDF-1.4\n");
    ledger()->exec("UPDATE brokerages SET most_people = {$count}, most_bytes = 1 WHERE id = 1");
    try {
        $before = (int) one('SELECT count(*) FROM papers');
        $invites('Halvard');
        $coordinator->upload("/files/{$file}/papers", 'pdf', $pdf, ['key' => 'limit-'.bin2hex(random_bytes(6))]);
    } finally {
        ledger()->exec('UPDATE brokerages SET most_people = NULL, most_bytes = NULL WHERE id = 1');
    }
    expect((int) one("SELECT count(*) FROM users WHERE email = 'halvard@quillmark.example'"))->toBe(0)
        ->and((string) one("SELECT told FROM uploads WHERE key LIKE 'limit-%' ORDER BY id DESC LIMIT 1"))->toContain('have reached')
        ->and((int) one('SELECT count(*) FROM papers'))->toBe($before);
});
