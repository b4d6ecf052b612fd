<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Sight;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\Process\Process;
use Tests\Support\MadePdf;
use Unanimus\Files\FileRefusal;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Pages\Scratch;

function mailArrives(string $subject, ?string $pdf = null, string $head = ''): InboundItem
{
    $pdf ??= MadePdf::page(MadePdf::text(72, 700, "Survey {$subject}"));
    test()->seeAll();
    $part = $pdf === '' ? '' : "--e\r\nContent-Type: application/pdf; name=survey.pdf\r\nContent-Transfer-Encoding: base64\r\n\r\n".
        base64_encode($pdf)."\r\n";
    app(TakeMail::class)(
        test()->people['tomas']->brokerage_id,
        "From: Nadia <nadia@anchorfield.example>\r\nTo: papers@quillmark.example\r\nSubject: {$subject}\r\nMessage-ID: <".md5($subject).
            "@x.example>\r\n{$head}Content-Type: multipart/mixed; boundary=e\r\n\r\n--e\r\nContent-Type: text/plain\r\n\r\nHere.\r\n".
            "{$part}--e--\r\n",
    );
    test()->seeAll();

    return InboundItem::query()->orderByDesc('id')->firstOrFail();
}

it('proposes the file a letter names, and files its papers there once', function () {
    $file = $this->aFile();
    $item = mailArrives('14 Lanternfish Lane');
    expect($item->guessed_file)->toBe($file->id)->and($item->guessed_by)->toBe('names 14 Lanternfish Lane');
    $this->as('wendell')->get('/office/inbox')->assertOk()->assertSee('It names 14 Lanternfish Lane')->assertSee('could not be proved');
    $this->as('wendell')->get("/inbox/{$item->key}/0")->assertOk()->assertDownload();
    $this->as('wendell')->get("/inbox/{$item->key}/0/first.webp")->assertOk();
    $this->as('wendell')->get("/inbox/{$item->key}/9")->assertNotFound();
    $this->as('wendell')->get("/inbox/{$item->key}/original.eml")->assertOk()->assertHeader('Content-Type', 'message/rfc822');
    $before = $file->papers()->count();
    $this->as('wendell')->post("/inbox/{$item->key}/file")->assertRedirect("/files/{$file->key}");
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => $file->name])->assertRedirect("/files/{$file->key}");
    $this->seeAll();
    expect($file->papers()->count())->toBe($before + 1)
        ->and($item->refresh()->filed_into)->toBe($file->id)
        ->and(DB::table('history')->where('what', 'Mail filed')->count())->toBe(1);
    $this->as('wendell')->get('/office/inbox')->assertDontSee("/inbox/{$item->key}/");
    $this->seeAll();
    $other = $this->aFile(['property.street' => '9 Other Road']);
    $this->seeAll();
    $other->update(['name' => 'Other file']);
    $this->as('wendell')->post("/inbox/{$item->key}/file", ['to' => 'Other file'])
        ->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
    $this->as('wendell')->post("/inbox/{$item->key}/put-away")->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
});

it('finds the file by its own address, and marks what speaks of wiring and what a program wrote', function () {
    $file = $this->aFile();
    $code = DB::table('deal_files')->where('id', $file->id)->value('mail_code');
    expect(strlen((string) $code))->toBe(10);
    $this->as('tomas')->get("/files/{$file->key}/dates")->assertOk()->assertSee("14-lanternfish-lane.{$code}@papers.quillmark.example");
    $this->as('tomas')->post("/files/{$file->key}/mail-address")->assertSessionHas('told');
    $this->seeAll();
    $new = DB::table('deal_files')->where('id', $file->id)->value('mail_code');
    expect($new)->not->toBe($code);
    $code = $new;
    $item = mailArrives('Wire instructions changed', '', "Cc: 14-lanternfish.{$code}@papers.quillmark.example\r\n");
    expect($item->guessed_file)->toBe($file->id)->and($item->sure)->toBe(1.0)->and($item->speaks_of_wiring)->toBeTrue();
    $this->as('dario')->get('/office/inbox')->assertSee('call before you act on it')->assertSee('No papers came along');
    $auto = mailArrives('Out of office', '', "Auto-Submitted: auto-replied\r\nTo: x.{$code}@p.example\r\n");
    expect($auto->is_auto)->toBeTrue()->and($auto->guessed_file)->toBeNull();
    config(['unanimus.intake.servers' => ['mx']]);
    $proved = mailArrives('Proved', '', "Authentication-Results: mx; dmarc=pass\r\n");
    expect($proved->isUnproved())->toBeFalse();
});

it('finds a file by a person of it, by name in any print and by address', function () {
    $file = $this->aFile();
    $names = $file->parties()->whereNull('user_id')->pluck('name');
    $item = mailArrives('About something', MadePdf::page(MadePdf::text(72, 700, "Loan of {$names[0]} and others")));
    expect($item->guessed_file)->toBe($file->id)->and($item->guessed_by)->toBe("names {$names[0]}");
    $loud = mailArrives('Said by', MadePdf::page(MadePdf::text(72, 700, 'LOAN OF '.mb_strtoupper($names[0]))));
    expect($loud->guessed_file)->toBe($file->id);
    expect(mailArrives('Nobody', MadePdf::page(MadePdf::text(72, 700, 'Loan of Someone Else')))->guessed_file)->toBeNull();
});

it('puts away what is no paper, for ninety days, and opens a file with what is one', function () {
    $item = mailArrives('Newsletter');
    $this->as('wendell')->post("/inbox/{$item->key}/put-away")->assertSessionHas('told');
    $this->as('wendell')->get('/office/inbox')->assertDontSee("/inbox/{$item->key}/");
    $this->as('wendell')->get('/office/inbox?put-away=1')->assertSee('Newsletter');
    $this->as('wendell')->post("/inbox/{$item->key}/back")->assertSessionHas('told');
    $this->as('wendell')->get('/office/inbox')->assertSee('Newsletter');
    $this->as('wendell')->post("/inbox/{$item->key}/put-away");
    $this->travel(91)->days();
    $this->as('wendell')->get('/office/inbox?put-away=1')->assertDontSee("/inbox/{$item->key}/");
    $words = mailArrives('Only words', '');
    $this->as('wendell')->post("/inbox/{$words->key}/open", ['represents' => 'buyer'])->assertRedirectContains('/opening');
    $this->as('wendell')->post("/inbox/{$words->key}/open", ['represents' => 'buyer'])
        ->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
    $this->seeAll();
    $new = mailArrives('A new deal');
    $this->as('wendell')->post("/inbox/{$new->key}/open", ['represents' => 'king'])->assertSessionHasErrors('represents');
    $this->as('wendell')->post("/inbox/{$new->key}/open", ['represents' => 'seller'])->assertRedirectContains('/opening');
    $this->seeAll();
    $file = DealFile::query()->findOrFail($new->refresh()->filed_into);
    expect($file->represents->value)->toBe('seller')->and($file->papers()->where('reason', 'uploaded')->count())->toBe(1);
    $this->as('wendell')->post("/inbox/{$new->key}/open", ['represents' => 'seller'])
        ->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
});

it('files several at once, each where it is proposed, and says what stays', function () {
    $file = $this->aFile();
    $one = mailArrives('Appraisal, 14 Lanternfish Lane');
    $two = mailArrives('Title, 14 Lanternfish Lane');
    $three = mailArrives('Of nobody');
    $this->as('wendell')->post('/inbox/file', [])->assertSessionHasErrors('items');
    $this->as('wendell')
        ->post('/inbox/file', ['items' => [$one->key, $two->key, $three->key]])
        ->assertSessionHas('refused', 'Filed 2 emails. 1 stay here: no file of yours is proposed for them.');
    $this->seeAll();
    expect($one->refresh()->filed_into)->toBe($file->id)->and($three->refresh()->settled_at)->toBeNull();
});

it('takes a message from a pipe, once, and says what a mail server understands', function () {
    $scratch = new Unanimus\Pages\Scratch();
    $letter = "From: a@b.example\r\nSubject: Piped\r\nMessage-ID: <piped@x.example>\r\n\r\nHello.";
    $receive = fn (string $raw, array $more = []) => Illuminate\Support\Facades\Artisan::call(
        'mail:receive',
        ['file' => $scratch->put('letter.eml', $raw), ...$more],
    );
    $several = count(Sight::brokerages()) > 1;
    $token = $several ? ['--token' => 'box-word'] : [];
    $several && DB::table('brokerages')->where('id', $this->people['tomas']->brokerage_id)
        ->update(['intake_hash' => hash('sha256', 'box-word')]);
    expect($receive($letter, $token))->toBe(0)
        ->and($receive($letter, $token))->toBe(0)
        ->and($receive('   ', $token))->toBe(65)
        ->and($receive($letter, ['--token' => 'nobody']))->toBe(75);
    $this->seeAll();
    expect(InboundItem::query()->sole()->subject)->toBe('Piped');
});

it('is for those who sort mail, and files only where they work', function () {
    $file = $this->aFile();
    $item = mailArrives('14 Lanternfish Lane');
    foreach (['tomas', 'marguerite', 'caleb'] as $who) {
        // What was not sent to them is not there for them.
        $this->as($who)->get("/inbox/{$item->key}/0")->assertNotFound();
        $this->as($who)->get("/inbox/{$item->key}/0/first.webp")->assertNotFound();
        $this->as($who)->get("/inbox/{$item->key}/original.eml")->assertNotFound();
        foreach (['file', 'open', 'put-away', 'back'] as $what) {
            $this->as($who)->post("/inbox/{$item->key}/{$what}", ['represents' => 'buyer'])->assertNotFound();
        }
        $who === 'marguerite' || $this->as($who)->get('/office/inbox')->assertOk()->assertDontSee("/inbox/{$item->key}/");
        $this->as($who)->post('/inbox/file', ['items' => [$item->key]]);
    }
    // The administrator sorts, but does not work on this file.
    $this->as('fenna')->post("/inbox/{$item->key}/file", ['to' => $file->name])
        ->assertSessionHas('reason', FileRefusal::NotAFileOfYours->value);
    $other = anotherOne();
    $this->actingAs($other)->get("/inbox/{$item->key}/0")->assertNotFound();
    $this->actingAs($other)->post("/inbox/{$item->key}/file", ['to' => 'x'])->assertNotFound();
    // By the application alone, too: with the database's eyes open it is the gate that refuses.
    $this->seeAll();
    foreach (['tomas' => false, 'caleb' => false, 'marguerite' => false, 'wendell' => true, 'dario' => true] as $who => $may) {
        expect(Gate::forUser($this->people[$who])->allows('sort-item', $item))->toBe($may, $who);
    }
    expect($item->refresh()->settled_at)->toBeNull();
});

it('shows what waits in portions, the newest first', function () {
    $this->seeAll();
    foreach (range(1, 45) as $n) {
        InboundItem::create([
            'brokerage_id' => $this->people['tomas']->brokerage_id, 'message_id' => "m{$n}", 'sender' => 'a@b.example',
            'subject' => "Letter no. {$n}.",
            'body' => '', 'attachments' => [], 'sha256' => str_repeat('0', 64), 'received_at' => now(),
        ]);
    }
    $page = $this->as('wendell')->get('/office/inbox')->assertOk()->assertSee('Letter no. 45.')->assertSee('Letter no. 6.')
        ->assertDontSee('Letter no. 5.');
    expect(preg_match('/\?before=(\w+)/', (string) $page->getContent(), $m))->toBe(1);
    $this->as('wendell')->get("/office/inbox?before={$m[1]}")->assertSee('Letter no. 5.')->assertDontSee('Letter no. 6.')
        ->assertDontSee('Show earlier');
});

it('has the mail server keep a message while the application is stopped', function () {
    $nothingRuns = new Unanimus\Pages\Scratch();
    $receive = new Process([base_path('unanimus'), 'artisan', 'mail:receive'], env: ['UNANIMUS_HOME' => $nothingRuns->path('')]);
    $receive->setInput("From: a@b.example\r\nSubject: Too early\r\n\r\nHello.");
    expect($receive->run())->toBe(75)->and($receive->getErrorOutput())->toContain('not running');
});

it('is sorted by the roles that the office says, in the pages and in the database', function () {
    $item = mailArrives('For whoever sorts it');
    $seen = function (string $who) use ($item): array {
        $page = str_contains((string) $this->as($who)->get('/office/inbox')->getContent(), $item->key);
        Sight::ofPerson($this->people[$who]->refresh());
        $row = InboundItem::query()->whereKey($item->id)->exists();
        $this->seeAll();

        return [$page, $row];
    };
    expect($seen('wendell'))->toBe([true, true])->and($seen('tomas'))->toBe([false, false]);
    $this->as('tomas')->post('/inbox/sorters', ['roles' => ['agent']])->assertForbidden();
    $this->as('fenna')->post('/inbox/sorters', [])->assertSessionHasErrors('roles');
    $this->as('fenna')->post('/inbox/sorters', ['roles' => ['king']])->assertSessionHasErrors('roles.0');
    $this->as('fenna')->post('/inbox/sorters', ['roles' => ['administrator', 'agent']])->assertSessionHas('told');
    $this->as('fenna')->post('/inbox/sorters', ['roles' => ['administrator', 'agent']]);
    $this->seeAll();
    Illuminate\Support\Once::flush();
    expect($seen('wendell'))->toBe([false, false])->and($seen('tomas'))->toBe([true, true])
        ->and(DB::table('brokerage_history')->where('what', 'Who sorts the mail')->count())->toBe(1);
});

it('takes files that are dropped on it as it takes mail, once, photos together as one paper, and a ZIP as what is in it', function () {
    $file = $this->aFile();
    $pdf = fn (string $text) => UploadedFile::fake()->createWithContent('Survey.pdf', MadePdf::page(MadePdf::text(72, 700, $text)));
    $drop = fn (array $papers, string $key = 'drop-key-1') => $this->as('tomas')->post('/inbox', ['papers' => $papers, 'key' => $key]);
    $drop([])->assertSessionHasErrors('papers');
    $drop([UploadedFile::fake()->createWithContent('notes.xyz', 'no paper')])->assertSessionHas('refused');
    $drop([$pdf('About 14 Lanternfish Lane')])->assertSessionHas('told');
    $drop([$pdf('About 14 Lanternfish Lane')]);
    $this->seeAll();
    $item = InboundItem::query()->sole();
    expect([$item->subject, $item->guessed_file, $item->for_user])->toBe(['Survey.pdf', $file->id, $this->people['tomas']->id])
        ->and($item->papers())->toHaveCount(1);
    $this->as('tomas')->get('/office/inbox')->assertSee('Survey.pdf')->assertSee('Put files in');
    $photo = fn (string $name) => UploadedFile::fake()->image($name, 600, 800);
    $drop([$photo('one.jpg'), $photo('two.jpg')], 'drop-key-2')->assertSessionHas('told');
    $this->seeAll();
    expect(InboundItem::query()->orderByDesc('id')->firstOrFail()->papers()[0]['name'])->toBe('Photos, 2 pages.pdf');
    $drop([$photo('check.jpg')], 'drop-key-6')->assertSessionHas('told');
    $this->seeAll();
    $check = InboundItem::query()->orderByDesc('id')->firstOrFail();
    $this->as('tomas')->get("/inbox/{$check->key}/0/first.webp")->assertOk()->assertHeader('Content-Type', 'image/webp');
    $this->as('caleb')->get("/inbox/{$check->key}/0/first.webp")->assertNotFound();
    $zip = function (array $files): UploadedFile {
        $scratch = new Scratch();
        $made = new ZipArchive();
        $made->open($scratch->path('made.zip'), ZipArchive::CREATE);
        array_walk($files, fn (string $bytes, string $name) => $made->addFromString($name, $bytes));
        $made->close();

        return UploadedFile::fake()->createWithContent('closing.zip', $scratch->get('made.zip'));
    };
    $drop([$zip(['notes.txt' => 'nothing to file'])], 'drop-key-4')->assertSessionHas('refused');
    $drop([$zip(['Deed.pdf' => MadePdf::page(''), 'Plans.pdf' => "%PDF-1.4\n".str_repeat(' ', 41_000_000)])], 'drop-key-8')
        ->assertSessionHas('refused', fn (string $said) => str_contains($said, 'unpacks to more than 40 MB'));
    $large = fn () => UploadedFile::fake()->createWithContent('Plans.pdf', "%PDF-1.4\n".str_repeat(' ', 23_000_000));
    $drop([$large(), $large()], 'drop-key-7')->assertSessionHas('refused', fn (string $said) => str_contains($said, '45 MB together'));
    $pages = fn (string $text): string => MadePdf::page(MadePdf::text(72, 700, $text));
    $drop([$zip(['a/Deed.pdf' => $pages('Deed'), 'Title.pdf' => $pages('Title')])], 'drop-key-5')->assertSessionHas('told');
    $this->seeAll();
    expect(array_column(InboundItem::query()->orderByDesc('id')->firstOrFail()->papers(), 'name'))->toBe(['Deed.pdf', 'Title.pdf']);
    $this->as('marguerite')->post('/inbox', ['papers' => [$pdf('x')], 'key' => 'drop-key-3'])->assertForbidden();
    $this->as('caleb')->get('/office/inbox')->assertDontSee('Survey.pdf');
});
