<?php

declare(strict_types=1);

use App\Forms\Actions\KeepFillRequest;
use App\Models\FillRequest;
use App\Models\Paper;
use App\Storage\Bytes;
use App\Storage\LocalStore;
use App\Storage\Store;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\Blank;
use Unanimus\Pages\DiskFull;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Terms\Kind;

it('says in words that there is no room on the disk, keeps nothing by half, and takes the same once there is room', function () {
    $file = $this->aFile();
    $full = true;
    $this->app->bind(Bytes::class, function () use (&$full) {
        return new Bytes(
            $full
                ? new class implements Store
                {
                    public function write(string $name, string $bytes): void
                    {
                        throw DiskFull::told();
                    }

                    public function read(string $name): string
                    {
                        return '';
                    }

                    public function has(string $name): bool
                    {
                        return false;
                    }

                    public function path(string $name): string
                    {
                        return $name;
                    }

                    public function drop(string $name): void
                    {
                    }
                }
                : new LocalStore((string) config('unanimus.bytes.folder')),
        );
    });
    $pdf = brought('Survey');
    $bring = fn () => $this->as('tomas')->postJson("/files/{$file->key}/papers", [
        'pdf' => new UploadedFile($pdf->getPathname(), 'Survey.pdf', 'application/pdf', null, true),
        'key' => 'into-a-full-disk',
    ]);
    $bring()->assertStatus(507)->assertJsonPath('message', fn (string $told) => str_contains($told, 'out of disk space'));
    $this->seeAll();
    expect(Paper::query()->where('title', 'Survey')->count())->toBe(0);
    $full = false;
    $bring()->assertOk();
});

it('writes all of a file or nothing of it, also where the disk takes no more', function () {
    $folder = sys_get_temp_dir().'/store-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $code =
        'require $argv[1]."/vendor/autoload.php"; $store = new App\\Storage\\LocalStore($argv[2]); $store->write(hash("sha256", "small"), '.
            '"small");'.
        'try { $store->write(hash("sha256", "large"), str_repeat("x", 3_000_000)); echo "written"; } catch (Unanimus\\Pages\\DiskFull '.
            '$full) { echo $full->getMessage(); }';
    // A limit on the size of files is to a program what a full disk is.
    exec(
        'trap "" XFSZ; ulimit -f 1000; php -r '.
            escapeshellarg($code).
            ' '.
            escapeshellarg(base_path()).
            ' '.
            escapeshellarg($folder).
            ' 2>&1',
        $said,
    );
    $left = glob("{$folder}/*/*/*") ?: [];
    expect(implode($said))->toContain('out of disk space')->and($left)->toHaveCount(1)->and(file_get_contents($left[0]))->toBe('small');
});

it('changes of a person only what was changed, and tells whoever changes what someone else just has', function () {
    $file = $this->aFile();
    $put = fn (string $who, array $given, array $seen = []) => json_decode(
        (string) $this->as($who)
            ->put("/files/{$file->key}/parties/buyer.1?at=opening", [...$given, 'stood' => $seen], ['HX-Request' => 'true'])
            ->assertOk()
            ->headers->get('HX-Trigger'),
        true,
    )['stored']['fault'];
    expect($put('wendell', ['name' => 'Sunniva Eide-Holm'], ['name' => 'Sunniva Eide']))
        ->toBeNull()
        ->and($put('tomas', ['phone' => '555-0199']))
        ->toBeNull()
        ->and($put('tomas', ['email' => 'eide@new.example'], ['email' => 'sunniva@eide.example']))
        ->toBeNull()
        ->and($put('wendell', ['email' => 'other@new.example'], ['email' => 'sunniva@eide.example']))
        ->toContain('eide@new.example')
        ->toContain('while you were on this page')
        ->and($put('wendell', ['phone' => '555-0111'], ['phone' => '555-0141']))
        ->toContain('the phone number to “555-0199”')
        // A field that only stood there is nobody's word: it neither refuses nor takes away what was written meanwhile.
        ->and($put('wendell', ['phone' => '555-0141', 'email' => 'eide@new.example', 'capacity' => 'as buyer'], ['phone' => '555-0141']))
        ->toBeNull()
        ->and($put('wendell', ['phone' => ''], ['phone' => '']))
        ->toBeNull();
    $this->seeAll();
    $party = $file->parties()->where('role', 'buyer')->where('number', 1)->sole();
    expect([$party->name, $party->phone, $party->email])->toBe(['Sunniva Eide-Holm', '555-0199', 'eide@new.example']);
});

it('tells a signer who has finished that it is done, also when the deal ended before they pressed again', function () {
    $round = $this->aRound($this->aFile());
    $this->signs($round, 'buyer.1');
    DB::table('deal_files')
        ->where('id', $round->deal_file_id)
        ->update(['status' => 'terminated']);
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->post("{$link}/finish")
        ->assertRedirect($link)
        ->assertSessionMissing('refused');
    $this->post('/sign/'.$this->signer($round, 'buyer.2')->token().'/consent', ['agree' => '1'])
        ->assertSessionHas('reason', SigningRefusal::DealEnded->value);
});

/** What a client is asked to fill of a paper, with their link. @return array{string, Paper} */
function askedOfClient(string $form): array
{
    $test = test();
    $file = $test->aFile();
    Auth::setUser($test->people['tomas']);
    $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'members']);
    $paper = $file->papers->firstWhere('form_number', $form);
    $fill = app(KeepFillRequest::class)->ask(
        $file,
        [['party' => $file->parties->firstOrFail(), 'email' => 'x@clients.example']],
        [$paper],
        [],
        $file->office->today()->plusDays(5),
        '',
        $test->people['tomas'],
    )[0];
    Auth::forgetGuards();
    $test->seeAll();

    return [(string) parse_url($fill->link(), PHP_URL_PATH), $fill->papers()->firstOrFail()];
}

it('asks a client where someone else has entered something while they were typing', function () {
    [$link, $paper] = askedOfClient('M-201');
    $blank = collect($paper->form()->blanks)->first(
        fn (Blank $one) => $one->kind === Kind::Text && in_array($one->name, FillRequest::asked($paper), true),
    )->name;
    $entry = fn (string $value, string $seen, string $key) => $this->postJson("{$link}/papers/{$paper->key}/entries", [
        'blank' => $blank,
        'value' => $value,
        'seen' => $seen,
        'key' => $key,
    ]);
    $entry('Old windows', '', 'client-entry-1')->assertOk();
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", [
            'blank' => $blank,
            'value' => 'New windows',
            'seen' => 'Old windows',
            'key' => 'agent-entry-1',
        ])
        ->assertOk();
    Auth::forgetGuards();
    $entry('No windows', 'Old windows', 'client-entry-2')
        ->assertConflict()
        ->assertJsonPath('theirs', 'New windows')
        ->assertJsonPath('who', $this->people['tomas']->name);
    $entry('No windows', 'New windows', 'client-entry-3')->assertOk();
    $this->get("{$link}/papers/{$paper->key}")->assertSee('id="met"', false);
});

it('lets a client take their own check mark off again, question by question', function () {
    [$link] = askedOfClient('M-201');
    for ($number = 1; $number < 400; $number++) {
        $page = $this->get("{$link}/questions/{$number}")
            ->assertOk()
            ->getContent();
        if (preg_match('/type="checkbox" name="choice"\s+value="([^"]+)"/', $page, $tick) === 1) {
            break;
        }
    }
    $send = function (string $choice) use ($link, &$number) {
        preg_match_all('/name="(key|seen)" value="([^"]*)"/', (string) $this->get("{$link}/questions/{$number}")->getContent(), $hidden);

        return $this->post("{$link}/questions/{$number}", [...array_combine($hidden[1], $hidden[2]), 'choice' => $choice, 'go' => 'rest']);
    };
    $send($tick[1])->assertSessionHasNoErrors();
    expect($this->get("{$link}/questions/{$number}")->getContent())->toContain('checked');
    $send('')->assertSessionHasNoErrors();
    expect($this->get("{$link}/questions/{$number}")->getContent())->not->toMatch('/type="checkbox"[^>]*checked/');
});
