<?php

declare(strict_types=1);

use App\Intake\Actions\TakeMail;
use App\Mail\LetterMail;
use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\FormLetter;
use App\Models\InboundItem;
use App\Models\Letter;
use App\Models\LetterRule;
use App\Models\Message;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Unanimus\Intake\DeliveryReport;
use Unanimus\Messages\MessageRefusal;

/** A draft in a file, and where it is. */
function aMessage(DealFile $file, array $typed = []): array
{
    test()->as('tomas')->post("/files/{$file->key}/messages", ['to' => 'buyer.1'])->assertRedirect();
    test()->seeAll();
    $message = Message::query()->orderByDesc('id')->firstOrFail();
    $at = "/files/{$file->key}/messages/{$message->key}";
    $typed === [] || test()->as('tomas')->post("{$at}/keep", ['seats' => ['buyer.1'], 'subject' => 'Hello', 'body' => 'Good day.',
        ...$typed])
        ->assertRedirect();
    test()->seeAll();

    return [$message->refresh(), $at];
}

/** Writes a letter of everybody's, and a rule about it. */
function aRule(array $with, string $subject = 'News of {property.address}'): LetterRule
{
    test()->as('ines')->post('/office/letters', ['name' => 'News', 'subject' => $subject, 'body' => 'Hello {to.first}: {event}.',
        'own' => '0']);
    test()->seeAll();
    $office = test()->people['tomas']->officeRoles->first()->office;
    test()->as('ines')->post('/office/letter-rules', [
        'office' => $office->key,
        'letter' => FormLetter::query()->orderByDesc('id')->firstOrFail()->key,
        'audience' => ['clients'],
        ...$with,
    ])->assertSessionHas('told');
    test()->seeAll();

    return LetterRule::query()->orderByDesc('id')->firstOrFail();
}

/** What a person answers by mail. */
function answered(Letter $letter, string $from, string $text, string $more = ''): void
{
    $id = hash('sha256', $letter->once_key).'@'.parse_url((string) config('app.url'), PHP_URL_HOST);
    app(TakeMail::class)($letter->brokerage_id,
        "From: {$from}\r\nTo: {$letter->reply_to}\r\nSubject: Re: {$letter->subject}\r\nMessage-ID: <".
        md5($text)."@x.example>\r\nIn-Reply-To: <{$id}>\r\n{$more}Content-Type: text/plain\r\n\r\n{$text}\r\n");
    test()->seeAll();
}

it('keeps a message as it is typed, shows it filled, and sends it once however often it is pressed', function () {
    $file = $this->aFile(['price' => '412,500']);
    [$message, $at] = aMessage($file);
    $typed = ['seats' => ['buyer.1'], 'subject' => 'About {property.address}',
        'body' => "Dear {to.first},\n\nthe price is {price}.\n{lender}"];
    $this->as('tomas')->post("{$at}/keep", $typed, ['HX-Request' => 'true'])->assertOk()->assertSee('$412,500')
        ->assertSee('Enter it in the file');
    // What is empty or unknown is told, and kept; nothing goes out.
    $this->as('tomas')->post("{$at}/send", [...$typed, 'when' => 'now'])->assertSessionHas('reason', MessageRefusal::EmptyField->value);
    $this->as('tomas')->post("{$at}/send", [...$typed, 'body' => '{nobody}'])->assertSessionHas('reason', MessageRefusal::UnknownField
        ->value);
    $this->seeAll();
    expect(Letter::query()->whereNotNull('message_id')->count())->toBe(0)->and($message->refresh()->isDraft())->toBeTrue();
    $typed['body'] = "Dear {to.first},\n\nthe price is {price}.";
    $this->as('tomas')->post("{$at}/send", [...$typed, 'when' => 'now'])->assertRedirect("/files/{$file->key}/messages");
    $this->as('tomas')->post("{$at}/send", [...$typed, 'when' => 'now'])->assertRedirect();
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->whereNotNull('message_id')->sole();
    $buyer = $file->parties()->where(['role' => 'buyer', 'number' => 1])->sole();
    expect($letter->body)->toContain('the price is $412,500')->toContain('Dear '.explode(' ', $buyer->name)[0])->not->toContain('{')
        ->and($letter->reply_to)->toContain($file->mail_code)
        ->and($letter->sent_at)->not->toBeNull()
        ->and($message->refresh()->state)->toBe('sent')
        ->and(DB::table('history')->where('what', 'Message sent')->count())->toBe(1);
    // What was sent stays, by the page and in the database.
    $this->as('tomas')->post("{$at}/keep", [...$typed, 'body' => 'Later'])->assertSessionHas('reason', MessageRefusal::SentMeanwhile
        ->value);
    $this->seeAll();
    expect(fn () => DB::transaction(fn () => $message->update(['body' => 'Later'])))->toThrow(QueryException::class, 'append-only');
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertSee('About '.$file->name)->assertSee('the price is');
});

it('goes with papers, attached or on a link, and to several as one email or one each', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $paper = $file->papers()->firstOrFail();
    $file->parties()->where('role', 'buyer')->get()->each->contact;
    $with = ['papers' => [$paper->key], 'others' => 'Escrow <escrow@anchorfield.example>', 'apart' => '0'];
    [$message, $at] = aMessage($file, $with);
    $this->as('tomas')->post("{$at}/send", ['when' => 'now'])->assertRedirect();
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('message_id', $message->id)->sole();
    $mail = new LetterMail($letter, Brokerage::query()->findOrFail($letter->brokerage_id), null, app(Bytes::class));
    expect($letter->others[0]['address'])->toBe('escrow@anchorfield.example')
        ->and($letter->more_attached)->toHaveCount(1)
        ->and(app(Bytes::class)->read($letter->more_attached[0]['sha256']))->toStartWith('%PDF')
        ->and($mail->envelope()->to)->toHaveCount(2)
        ->and($mail->attachments())->toHaveCount(1);
    [$linked, $at] = aMessage($file, [...$with, 'apart' => '0', 'as_link' => '1']);
    $this->as('tomas')->post("{$at}/send", ['when' => 'now'])->assertSessionHas('reason', MessageRefusal::OneEach->value);
    $this->as('tomas')->post("{$at}/keep", ['seats' => ['buyer.1'], 'subject' => 'Hello', 'body' => 'x', ...$with, 'apart' => '1',
        'as_link' => '1']);
    $this->as('tomas')->post("{$at}/send", ['when' => 'now'])->assertRedirect();
    $this->work();
    $this->seeAll();
    $letters = Letter::query()->where('message_id', $linked->id)->get();
    expect($letters)->toHaveCount(2)
        ->and($letters->pluck('action')->unique())->toHaveCount(2)
        ->and($letters[0]->action)->toStartWith('read ')
        ->and($letters[0]->more_attached)->toBe([]);
});

it('waits for its time, is taken back until then, and goes by itself', function () {
    $file = $this->aFile();
    [$message, $at] = aMessage($file, ['body' => 'Later.']);
    $this->as('tomas')->post("{$at}/send", ['when' => 'later', 'send_at' => ''])->assertSessionHasErrors('send_at');
    $this->as('tomas')->post("{$at}/send", ['when' => 'later', 'send_at' => '2001-01-01T10:00'])->assertSessionHas('reason',
        MessageRefusal::TimePassed->value);
    $this->as('tomas')->post("{$at}/send", ['when' => 'later', 'send_at' => now()->addDay()->format('Y-m-d\TH:i')])
        ->assertSessionHas('told');
    Artisan::call('messages:sweep');
    $this->work();
    $this->seeAll();
    expect($message->refresh()->state)->toBe('waiting');
    $this->as('wendell')->post("{$at}/stop")->assertNotFound();
    $this->as('tomas')->post("{$at}/stop")->assertRedirect($at);
    $this->as('tomas')->post("{$at}/send", ['when' => 'later', 'send_at' => now()->addDay()->format('Y-m-d\TH:i')]);
    $this->travel(2)->days();
    Artisan::call('messages:sweep');
    Artisan::call('messages:sweep');
    $this->work();
    $this->seeAll();
    expect($message->refresh()->state)->toBe('sent')->and(Letter::query()->where('message_id', $message->id)->count())->toBe(1);
    $this->as('tomas')->post("{$at}/stop")->assertSessionHas('reason', MessageRefusal::SentMeanwhile->value);
});

it('is a draft again with the reason when its papers are too large or its writer has left', function () {
    $file = $this->aFile();
    [$message, $at] = aMessage($file, ['body' => 'Later.']);
    $this->as('tomas')->post("{$at}/send", ['when' => 'later', 'send_at' => now()->addDay()->format('Y-m-d\TH:i')]);
    $this->seeAll();
    DB::table('users')->where('id', $this->people['tomas']->id)->update(['active' => false]);
    $this->travel(2)->days();
    Artisan::call('messages:sweep');
    $this->work();
    $this->seeAll();
    expect($message->refresh()->isDraft())->toBeTrue()
        ->and($message->held_because)->toContain('no longer works here')
        ->and($message->body)->toBe('Later.');
});

it('files an answer from whom it was written to, in its thread, and no other by itself', function () {
    $file = $this->aFile();
    [$message, $at] = aMessage($file, ['body' => 'When can you come?']);
    $this->as('tomas')->post("{$at}/send", ['when' => 'now']);
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('message_id', $message->id)->sole();
    answered($letter, "Buyer <{$letter->recipient}>", 'On Friday.');
    answered($letter, "Buyer <{$letter->recipient}>", 'On Friday.');
    answered($letter, 'Someone <else@x.example>', 'Wire it to me.');
    answered($letter, $letter->recipient, 'I am away.', "Auto-Submitted: auto-replied\r\n");
    $filed = InboundItem::query()->where('filed_into', $file->id)->sole();
    expect($filed->body)->toContain('On Friday')->and($filed->answers_message)->toBe($message->id)->and(InboundItem::query()->count())
        ->toBe(3);
    $this->as('tomas')->get("/files/{$file->key}/unread")->assertSee('1 new');
    $this->as('tomas')->get('/')->assertSee('Read answer');
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertSee('On Friday')->assertSee('new');
    $this->as('tomas')->get("/files/{$file->key}/mail/{$filed->key}")->assertOk();
    $this->as('tomas')->get("/files/{$file->key}/unread")->assertDontSee('1 new');
    $this->as('tomas')->get('/')->assertDontSee('Read answer');
    // Answered, it names what it answers; begun twice it is one draft.
    $this->as('tomas')->post("/files/{$file->key}/messages", ['answers' => $filed->key])->assertRedirect();
    $this->as('tomas')->post("/files/{$file->key}/messages", ['answers' => $filed->key])->assertRedirect();
    $this->seeAll();
    $answer = Message::query()->where('answers', $filed->id)->sole();
    expect($answer->subject)->toBe('Re: Hello')->and($answer->to()[0]->seat)->toBe('buyer.1');
    $this->as('tomas')->post("/files/{$file->key}/messages/{$answer->key}/send", [
        'seats' => ['buyer.1'], 'subject' => $answer->subject, 'body' => 'Good.', 'when' => 'now',
    ])->assertSessionHas('told');
    $this->work();
    $this->seeAll();
    $out = Letter::query()->where('message_id', $answer->id)->sole();
    $headers = (new LetterMail($out, Brokerage::query()->findOrFail($out->brokerage_id), null, app(Bytes::class)))->headers();
    expect($headers->text['In-Reply-To'])->toBe('<'.$filed->message_id.'>')->and($headers->references)->toContain($filed->message_id);
    // A letter that comes back reaches its writer.
    $report = DeliveryReport::of(
        "Reporting-MTA: dns; mx.example\n\nFinal-Recipient: rfc822; {$out->recipient}\nAction: failed\nStatus: 5.1.1",
        'Message-ID: <'.hash('sha256', $out->once_key).'@x>',
    );
    app(App\Mail\NoteReturned::class)($report);
    expect(lettersTo($this->people['tomas']->email))->toContain('Not delivered: Re: Hello');
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertSee('Came back from');
});

it('keeps drafts to their writer and one side’s messages from the other, in the database too', function () {
    $file = $this->aFile();
    [$draft, $at] = aMessage($file, ['body' => 'Our lowest price is nine.']);
    $this->as('wendell')->get($at)->assertNotFound();
    Sight::ofPerson($this->people['wendell']->refresh());
    expect(Message::query()->count())->toBe(0);
    $this->seeAll();
    $file->update(['represents' => 'both']);
    $file->members()->where('user_id', $this->people['tomas']->id)->update(['side' => 'buyer']);
    $this->as('tomas')->post("/files/{$file->key}/notes", ['note' => 'Our lowest price is ten.'])->assertSessionHas('told');
    $this->as('tomas')->post("/files/{$file->key}/notes", ['note' => 'Our lowest price is ten.']);
    $this->as('tomas')->post("/files/{$file->key}/notes", ['note' => ' '])->assertSessionHas('reason', MessageRefusal::NoWords->value);
    $this->seeAll();
    expect(Message::query()->where('kind', 'note')->count())->toBe(1);
    $file->members()->create(['brokerage_id' => $file->brokerage_id, 'user_id' => $this->people['caleb']->id, 'role' => 'agent',
        'side' => 'seller']);
    $note = DB::table('messages')->where('kind', 'note')->value('key');
    $this->as('caleb')->get("/files/{$file->key}/messages")->assertOk()->assertDontSee('lowest price');
    $this->as('caleb')->get("/files/{$file->key}/messages/{$note}")->assertNotFound();
    Sight::ofPerson($this->people['caleb']->refresh());
    expect(Message::query()->count())->toBe(0);
    $this->as('tomas')->get("/files/{$file->key}/messages")->assertSee('lowest price');
});

it('keeps letters in versions, everybody’s by those who may, one’s own by anyone, and tries them with a file', function () {
    $file = $this->aFile(['price' => '412,500']);
    $text = ['name' => 'Welcome', 'subject' => 'Welcome, {to.first}', 'body' => 'The price is {price}.'];
    $this->as('tomas')->post('/office/letters', [...$text, 'body' => '{x}'])->assertSessionHas('reason', MessageRefusal::UnknownField
        ->value);
    $this->as('ines')->post('/office/letters', [...$text, 'own' => '0'])->assertSessionHas('told');
    $this->as('tomas')->post('/office/letters', [...$text, 'name' => 'Mine', 'own' => '0'])->assertSessionHas('told');
    $this->seeAll();
    [$common, $own] = [FormLetter::query()->where('name', 'Welcome')->sole(), FormLetter::query()->where('name', 'Mine')->sole()];
    expect($common->user_id)->toBeNull()->and($own->user_id)->toBe($this->people['tomas']->id);
    $this->as('tomas')->put("/office/letters/{$common->key}", $text)->assertForbidden();
    $this->as('caleb')->get("/office/letters/{$own->key}")->assertNotFound();
    $this->as('tomas')->get("/office/letters/{$common->key}?file={$file->key}")->assertSee('$412,500');
    $this->as('ines')->put("/office/letters/{$common->key}", [...$text, 'body' => 'It is {price}.', 'seen' => 1])->assertSessionHas('told');
    $this->as('ines')->put("/office/letters/{$common->key}", [...$text, 'body' => 'Other', 'seen' => 1])
        ->assertSessionHas('reason', MessageRefusal::LetterChanged->value);
    $this->seeAll();
    expect(DB::table('form_letter_versions')->where('form_letter_id', $common->id)->count())->toBe(2);
    [$message, $at] = aMessage($file, ['body' => 'Already typed.']);
    $this->as('tomas')->post("{$at}/keep", ['subject' => '', 'body' => 'Already typed.', 'letter' => $common->key])->assertRedirect($at);
    $this->seeAll();
    expect($message->refresh()->body)->toContain('Already typed.')->toContain('It is {price}.')->and($message->subject)
        ->toBe('Welcome, {to.first}');
    $this->as('ines')->post("/office/letters/{$common->key}/away", ['away' => '1'])->assertSessionHas('told');
    $this->as('tomas')->post("/office/letters/{$common->key}/away", ['away' => '0'])->assertForbidden();
    $this->as('tomas')->post('/office/letters/signature', ['signature' => "Tomás\nQuillmark"])->assertSessionHas('told');
    $this->as('tomas')->get('/office/letters')->assertSee('Quillmark')->assertDontSee('Bring back');
    $this->as('ines')->get('/office/letters')->assertSee('Bring back');
    $this->seeAll();
    [$signed] = aMessage($file);
    expect($signed->body)->toContain("Tomás\nQuillmark");
});

it('writes by itself what an office turned on: once for each event, with a log, to nobody who asked for none', function () {
    $file = $this->aFile();
    $rule = aRule(['event' => 'status', 'status' => 'Active']);
    $this->as('tomas')->get('/office/letter-rules')->assertForbidden();
    $this->as('tomas')->post("/office/letter-rules/{$rule->key}", ['on' => '1'])->assertForbidden();
    $this->as('tomas')->post("/files/{$file->key}/status", ['status' => 'active']);
    Artisan::call('messages:sweep');
    $this->seeAll();
    expect(Message::query()->count())->toBe(0);
    // What happened before it was turned on is not told.
    $this->as('ines')->post("/office/letter-rules/{$rule->key}", ['on' => '1'])->assertSessionHas('told');
    Artisan::call('messages:sweep');
    $this->seeAll();
    expect(Message::query()->count())->toBe(0);
    $other = $this->aFile(['property.street' => '9 Other Road']);
    $this->as('tomas')->post("/files/{$other->key}/status", ['status' => 'active'])->assertRedirect();
    Artisan::call('messages:sweep');
    Artisan::call('messages:sweep');
    $this->work();
    $this->seeAll();
    $message = Message::query()->sole();
    $letter = Letter::query()->where('message_id', $message->id)->firstOrFail();
    expect($message->user_id)->toBeNull()
        ->and($letter->body)->toContain('The status changed to active')
        ->and($letter->no_more)->toBe($letter->recipient)
        ->and(DB::table('letter_rule_log')->sole()->did)->toStartWith('Sent to');
    $this->as('ines')->get('/office/letter-rules')->assertSee('The status changed to active')->assertSee('Sent to');
    $headers = (new LetterMail($letter, Brokerage::query()->findOrFail($letter->brokerage_id), null, app(Bytes::class)))->headers();
    preg_match('/<(.+)>/', $headers->text['List-Unsubscribe'], $link);
    expect($headers->text['Auto-Submitted'])->toBe('auto-generated');
    // Whoever asks for no more gets none; a link that was changed does nothing.
    $path = (string) parse_url($link[1], PHP_URL_PATH).'?'.parse_url($link[1], PHP_URL_QUERY);
    auth()->forgetGuards();
    $this->get("{$path}x")->assertNotFound();
    $this->post(str_replace('address=', 'address=a', $path))->assertNotFound();
    $this->get($path)->assertOk()->assertSee($letter->recipient);
    $this->seeAll();
    expect(DB::table('letters_refused')->count())->toBe(0);
    $this->post($path)->assertOk();
    $this->post($path)->assertOk();
    $this->seeAll();
    $third = $this->aFile(['property.street' => '10 Other Road']);
    $this->as('tomas')->post("/files/{$third->key}/status", ['status' => 'active']);
    Artisan::call('messages:sweep');
    $this->seeAll();
    expect(DB::table('letter_rule_log')->where('deal_file_id', $third->id)->sole()->did)->toContain('asked for no such emails');
    $this->as('ines')->post("/office/letter-rules/{$rule->key}", ['on' => '0'])->assertSessionHas('told');
});

it('tells of a date that is near, on its day and once', function () {
    $rule = aRule(['event' => 'date', 'date' => 'closing', 'days' => 3, 'audience' => ['clients']]);
    $this->as('ines')->post("/office/letter-rules/{$rule->key}", ['on' => '1']);
    $this->seeAll();
    $file = $this->aFile(['closing' => now()->addDays(9)->format('Y-m-d')]);
    foreach (range(1, 9) as $day) {
        Artisan::call('messages:sweep');
        Artisan::call('messages:sweep');
        $this->travel(1)->days();
    }
    $this->seeAll();
    $message = Message::query()->where('deal_file_id', $file->id)->sole();
    expect($message->planned()[0]->body)->toContain('Closing is on ');
});

it('writes nothing with a field that is empty, and says so in the log', function () {
    $rule = aRule(['event' => 'status', 'status' => 'Active'], 'To {lender}');
    $this->as('ines')->post("/office/letter-rules/{$rule->key}", ['on' => '1']);
    $this->seeAll();
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/status", ['status' => 'active']);
    Artisan::call('messages:sweep');
    $this->seeAll();
    expect(DB::table('letter_rule_log')->sole()->did)->toContain('Nothing was sent')->and(Message::query()->count())->toBe(0);
});

it('keeps a letter for one office, and takes rules away whose log stays', function () {
    $this->seeAll();
    $office = $this->people['dario']->officeRoles->firstOrFail()->office;
    $this->as('dario')->post('/office/letters', ['name' => 'Tidewick parking', 'subject' => 'Parking', 'body' => 'Behind the house.',
        'own' => '0', 'office' => $office->key])->assertSessionHas('told');
    $this->seeAll();
    $letter = FormLetter::query()->where('name', 'Tidewick parking')->sole();
    expect($letter->office_id)->toBe($office->id);
    $outside = collect($this->people)->first(fn ($one) => ! $one->guest && $one->officeRoles->isNotEmpty()
        && ! $one->officeRoles->contains('office_id', $office->id) && $one->opensFiles());
    $this->as(array_search($outside, $this->people, true))->get('/office/letters')->assertOk()->assertDontSee('Tidewick parking');
    $this->as(array_search($outside, $this->people, true))->get("/office/letters/{$letter->key}")->assertNotFound();
    $this->as('dario')->get('/office/letters')->assertSee('Tidewick parking');

    $this->as('dario')->post('/office/letter-rules', ['office' => $office->key, 'letter' => $letter->key, 'event' => 'round',
        'audience' => ['clients']]);
    $this->seeAll();
    $rule = LetterRule::query()->sole();
    $this->as('priya')->delete("/office/letter-rules/{$rule->key}")->assertForbidden();
    foreach ([1, 2] as $press) {
        $this->as('dario')->delete("/office/letter-rules/{$rule->key}")->assertRedirect();
    }
    $this->as('dario')->get('/office/letter-rules')->assertOk()->assertSee('No automatic emails yet');
    $this->seeAll();
    expect(DB::table('brokerage_history')->where('what', 'Letter rule removed')->count())->toBe(1);
});
