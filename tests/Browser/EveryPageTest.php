<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;

/**
 * Every page there is, by its route: who looks at it, and where. What stands in braces is asked of the database.
 *
 * @return array<string, array{string, string}>
 */
function everyPage(): array
{
    $file = "SELECT key FROM deal_files WHERE name LIKE '14 Lanternfish Lane%' ORDER BY id LIMIT 1";
    $listed = "SELECT key FROM deal_files WHERE name LIKE '208 Copperbeech Road%' ORDER BY id LIMIT 1";
    $paper = "SELECT p.key FROM papers p JOIN deal_files f ON f.id = p.deal_file_id WHERE f.name LIKE '14 Lanternfish Lane%'";

    return [
        '/' => ['wendell', '/'],
        'files' => ['wendell', '/files?columns=client,next,owes,coordinator'],
        'files/{file}' => ['wendell', "/files/{{$file}}"],
        'files/{file}/ask-for' => ['tomas', "/files/{{$file}}/ask-for"],
        'files/{file}/assembling' => ['tomas', "/files/{{$file}}/assembling"],
        'files/{file}/assembled' => ['tomas', "/files/{{$file}}/assembled"],
        'files/{file}/commission' => ['ines', "/files/{{$file}}/commission"],
        'files/{file}/delivery' => ['tomas', "/files/{{$file}}/delivery"],
        'files/{file}/mail/{item}' => [
            'tomas',
            "/files/{{$file}}/mail/{SELECT key FROM inbound_items WHERE subject LIKE 'Title commitment%' ORDER BY id LIMIT 1}",
        ],
        'files/{file}/clients' => ['tomas', "/files/{{$file}}/clients"],
        'files/{file}/messages' => ['tomas', "/files/{{$file}}/messages"],
        'files/{file}/messages/{message}' => [
            'tomas',
            "/files/{{$file}}/messages/{SELECT m.key FROM messages m JOIN users u ON u.id = m.user_id
                WHERE m.state = 'draft' AND u.email LIKE 'tomas@%' ORDER BY m.id LIMIT 1}",
        ],
        'files/{file}/messages/{message}, sent' => [
            'tomas',
            "/files/{{$file}}/messages/{SELECT m.key FROM messages m JOIN deal_files f ON f.id = m.deal_file_id
                WHERE m.state = 'sent' AND m.kind = 'letter' AND f.name LIKE '14 Lanternfish%' ORDER BY m.id LIMIT 1}",
        ],
        'help/{place?}' => ['tomas', '/help?at=/files'],
        'notices' => ['tomas', '/notices'],
        'notices/settings' => ['tomas', '/notices/settings'],
        'office/roster' => ['ines', '/office/roster'],
        'office/roster/{case}' => ['ines', "/office/roster/{SELECT key FROM roster_cases WHERE kind = 'leaving' ORDER BY id LIMIT 1}"],
        'office/shelf' => ['wendell', '/office/shelf'],
        'office/permissions/{office?}' => ['fenna', '/office/permissions'],
        'office/roster/kits/{office}/{kind}' => ['ines', '/office/roster/kits/{SELECT key FROM offices ORDER BY id LIMIT 1}/leaving'],
        'office/fees' => ['ines', '/office/fees'],
        'office/running' => ['fenna', '/office/running'],
        'office/setup' => ['fenna', '/office/setup'],
        'office/sheet' => ['tomas', '/office/sheet'],
        'office/shelf/{item}' => ['wendell', "/office/shelf/{SELECT key FROM shelf_items WHERE kind = 'document' ORDER BY id LIMIT 1}"],
        'office/connections' => ['ines', '/office/connections'],
        'office/archive' => ['ines', '/office/archive'],
        'office/archive/certificates/{certificate}' => [
            'ines', '/office/archive/certificates/{SELECT key FROM purge_certificates ORDER BY id LIMIT 1}',
        ],
        'files/{file}/keeping' => ['ines',
            '/files/{SELECT key FROM deal_files WHERE closed_on IS NOT NULL ORDER BY closed_on, id LIMIT 1}/keeping'],
        'office/letters' => ['ines', '/office/letters'],
        'office/letters/new' => ['tomas', '/office/letters/new'],
        'office/letters/{letter}' => ['ines', '/office/letters/{SELECT key FROM form_letters WHERE user_id IS NULL ORDER BY id LIMIT 1}'],
        'office/letter-rules' => ['ines', '/office/letter-rules'],
        'reads/{read}' => ['caleb', '/reads/{SELECT key FROM draft_reads ORDER BY id LIMIT 1}'],
        'files/{file}/dates' => ['tomas', "/files/{{$file}}/dates"],
        'files/{file}/fill-requests' => ['caleb', "/files/{{$listed}}/fill-requests"],
        'files/{file}/forms' => ['tomas', "/files/{{$file}}/forms"],
        'files/{file}/kits/{key}' => ['tomas', "/files/{{$file}}/kits/condo-buyer"],
        'files/{file}/listing' => ['tomas', "/files/{{$file}}/listing"],
        'files/{file}/net' => ['caleb', "/files/{{$listed}}/net"],
        'files/{file}/offers' => ['caleb', "/files/{{$listed}}/offers"],
        'files/{file}/opening' => ['wendell', "/files/{{$file}}/opening"],
        'commission' => ['ines', '/commission'],
        'reports' => ['ines', '/reports'],
        'reports/deals' => ['ines', '/reports/deals?stands=closed'],
        'reports/agents/{user}' => ['ines', "/reports/agents/{SELECT key FROM users WHERE email LIKE 'greta@quillmark%'}"],
        'office/disbursements' => ['ines', '/office/disbursements'],
        'contacts' => ['wendell', '/contacts'],
        'imports' => ['wendell', '/imports'],
        'imports/{import}' => ['ines', "/imports/{SELECT key FROM imports WHERE name = 'Saltreach office'}"],
        'imports/{import}/papers' => ['ines', "/imports/{SELECT key FROM imports WHERE name = 'Saltreach office'}/papers"],
        'kits' => ['tomas', '/kits'],
        'kits/{key}' => ['tomas', '/kits/purchase-buyer'],
        'kits/{key}/forms/{number}' => ['tomas', '/kits/purchase-buyer/forms/M-201'],
        'kits/{key}/papers/{place}' => ['tomas', '/kits/purchase-buyer/papers/1'],
        'me' => ['tomas', '/me'],
        'office' => ['fenna', '/office'],
        'office/history' => ['fenna', '/office/history'],
        'office/plans' => ['fenna', '/office/plans'],
        'office/inbox' => ['fenna', '/office/inbox'],
        'office/library' => ['fenna', '/office/library'],
        'office/offices' => ['fenna', '/office/offices'],
        'open' => ['tomas', '/open'],
        'own-forms' => ['wendell', '/own-forms'],
        'papers/{paper}' => ['tomas', "/papers/{{$paper} AND p.state = 'draft' AND p.form_number IS NOT NULL ORDER BY p.id LIMIT 1}"],
        'papers/{paper}, signed' => ['tomas', "/papers/{{$paper} AND p.state = 'signed' ORDER BY p.id LIMIT 1}"],
        'papers/{paper}/log' => ['tomas', "/papers/{{$paper} AND p.form_number = 'M-201' ORDER BY p.id LIMIT 1}/log"],
        'papers/{paper}/who' => ['tomas', "/papers/{{$paper} AND p.form_number = 'M-201' ORDER BY p.id LIMIT 1}/who"],
        'papers/{paper}/text' => ['tomas', "/papers/{{$paper} AND p.form_number = 'M-201' ORDER BY p.id LIMIT 1}/text"],
        'people/{user}' => ['fenna', "/people/{SELECT key FROM users WHERE email LIKE 'tomas@quillmark%'}"],
        'review' => ['ines', '/review'],
        'review/done' => ['ines', '/review/done'],
        'review/{requirement}' => ['ines', "/review/{SELECT key FROM requirements WHERE review_state = 'submitted' ORDER BY id LIMIT 1}"],
        'rounds/{round}' => [
            'tomas',
            "/rounds/{SELECT r.key FROM rounds r JOIN deal_files f ON f.id = r.deal_file_id
                WHERE f.name LIKE '14 Lanternfish Lane%' ORDER BY r.id LIMIT 1}",
        ],
        'files/{file}/working-copies/begin' => [
            'tomas',
            "/files/{{$file}}/working-copies/begin?papers[]={{$paper} AND p.form_number = 'M-201' ORDER BY p.id LIMIT 1}",
        ],
        'working-copies/{copy}' => ['tomas', '/working-copies/{SELECT key FROM working_copies ORDER BY id LIMIT 1}'],
        'rules' => ['fenna', '/rules'],
        'stencils' => ['tomas', '/stencils'],
        'rules/new' => ['fenna', '/rules/new'],
        'rules/try' => ['fenna', "/rules/try?file={{$file}}"],
        'rules/{rule}' => ['fenna', '/rules/{SELECT key FROM office_rules ORDER BY id LIMIT 1}'],
        'stacks/{stack}' => ['wendell', '/stacks/{SELECT key FROM stacks WHERE settled_at IS NULL ORDER BY id LIMIT 1}'],
        'style' => ['fenna', '/style'],
        'tasks' => ['wendell', '/tasks?who=all'],
        '/, to print' => ['wendell', '/?print=1'],
    ];
}

/** Pages that other tests look at where they make what these show, and what is no page of its own. */
function pagesElsewhere(): string
{
    return '#\.(webp|pdf|zip|ics|vcf|csv|xfdf|svg|jsonl)$|/(standing|propose|history|uploads|uploads/\{upload\}|shift|'.
        'progress|places|marks|table|changes|drawn|original|kits|pdf|beside|more|countersign|readers|unread|count)$|'.
        '^(find|listings|up|storage/.*)$'.
        // Signing, filling and reading by link, a sign-in in two steps, sets and own forms: FormsTest, WalkTest, OfficeTest, …
        '|^style/empty$|^api/v1/|^(client|sign|fill|read|work|bring|invitation|password|sign-in)\b|^sets/\{set\}$|'.
        '^own-forms/\{own\}|'.
        '^papers/\{paper\}/revision$|^(proof|no-more|how-signing-works|metrics)$|^here$|^inbox/#';
}

it('has nothing axe objects to on any page, in either theme, twice as large, and on a phone', function (string $who) {
    /** @var BrowserCase $this */
    $this->signIn($who);
    foreach (array_filter(everyPage(), fn (array $page) => $page[0] === $who) as $route => [, $where]) {
        $path = preg_replace_callback('/\{(SELECT [^}]+)\}/', fn (array $found) => (string) one($found[1]), $where);
        $this->shape($this->browser, 1280, 800);
        $this->visit($path)->waitFor('header.bar');
        expect($this->axe())->toBe([], "{$route} at {$path}");
        $this->shape($this->browser, 1280, 800, 'dark');
        expect($this->axe('colours'))->toBe([], "{$route}, dark");
        // 1280 points at 200 % are 640 wide (WCAG 2.2, 1.4.4 and 1.4.10).
        foreach ([[640, 400], [390, 844]] as [$width, $height]) {
            $this->shape($this->browser, $width, $height);
            expect($this->browser->executeScript('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(
                $width + 2,
                "{$route} scrolls sideways at {$width}",
            );
            if ($width > 390) {
                continue;
            }
            // In a kit that is only read, axe takes the links in the disabled fields for out of reach too; they are not.
            $found = $route === 'kits/{key}' ? array_filter(
                $this->axe('sizes'),
                fn ($one) => ! str_starts_with($one, 'scrollable'),
            ) : $this->axe('sizes');
            expect($found)->toBe([], "{$route} at {$width}");
        }
    }
})->with(array_values(array_unique(array_column(everyPage(), 0))));

it('knows every page there is', function () {
    exec('php '.escapeshellarg(dirname(__DIR__, 2).'/artisan').' route:list --method=GET --json 2>/dev/null', $said);
    $routes = array_column(json_decode(implode('', $said), true, flags: JSON_THROW_ON_ERROR), 'uri');
    $missing = array_filter($routes, fn (string $uri) => ! isset(everyPage()[$uri]) && preg_match(pagesElsewhere(), $uri) !== 1);
    expect(array_values($missing))->toBe([])->and(count($routes))->toBeGreaterThan(80);
});
