<?php

declare(strict_types=1);

use App\Models\ClientPage;
use App\Models\FormLetter;
use App\Models\LetterRule;
use App\Models\Message;
use Illuminate\Support\Facades\DB;
use Unanimus\Messages\MessageRefusal;

it('begins one draft by a double press, and another one once something was written', function () {
    $file = $this->aFile();
    foreach ([1, 2] as $press) {
        $this->as('tomas')->post("/files/{$file->key}/messages", ['to' => 'buyer.1'])->assertRedirect();
    }
    $this->seeAll();
    $message = Message::query()->sole();
    $this->as('tomas')->post("/files/{$file->key}/messages", [])->assertRedirect();
    $this->as('tomas')->post("/files/{$file->key}/messages/{$message->key}/keep", ['seats' => ['buyer.1'], 'subject' => 'x',
        'body' => 'y']);
    $this->as('tomas')->post("/files/{$file->key}/messages", ['to' => 'buyer.1'])->assertRedirect();
    $this->seeAll();
    expect(Message::query()->count())->toBe(3);
});

it('lets an older window write nothing over what is written in a newer one', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/messages", ['to' => 'buyer.1']);
    $this->seeAll();
    $message = Message::query()->sole();
    $at = "/files/{$file->key}/messages/{$message->key}";
    $window = function () use ($at, $message): string {
        $this->as('tomas')->get($at)->assertOk();
        $this->seeAll();

        return $message->refresh()->opened_in;
    };
    [$older, $newer] = [$window(), $window()];
    expect($older)->not->toBe($newer);
    $typed = ['seats' => ['buyer.1'], 'subject' => 'Keys'];
    $this->as('tomas')->post("{$at}/keep", [...$typed, 'body' => 'Newer words', 'window' => $newer], ['HX-Request' => 'true'])->assertOk();
    $this->as('tomas')->post("{$at}/keep", [...$typed, 'body' => 'Older words', 'window' => $older], ['HX-Request' => 'true'])
        ->assertStatus(409)
        ->assertJsonPath('reason', MessageRefusal::OpenElsewhere->value);
    $this->as('tomas')->post("{$at}/send", [...$typed, 'body' => 'Older words', 'window' => $older, 'when' => 'now'])
        ->assertSessionHas('reason', MessageRefusal::OpenElsewhere->value);
    $this->seeAll();
    expect($message->refresh()->body)->toBe('Newer words')->and($message->isDraft())->toBeTrue();
    $this->as('tomas')->post("{$at}/send", [...$typed, 'body' => 'Newer words', 'window' => $newer, 'when' => 'now'])
        ->assertSessionHas('told');
    $this->as('tomas')->post("{$at}/send", [...$typed, 'body' => 'Newer words', 'window' => $newer, 'when' => 'now'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Message sent')->count())->toBe(1);
});

it('keeps one form letter and one rule of a double press, and puts no letter away that goes out by itself', function () {
    $text = ['name' => 'News', 'subject' => 'News', 'body' => 'Hello {to.first}.', 'own' => '0'];
    foreach ([1, 2] as $press) {
        $this->as('ines')->post('/office/letters', $text)->assertSessionHas('told');
    }
    $this->seeAll();
    $letter = FormLetter::query()->sole();
    $office = $this->people['tomas']->officeRoles->first()->office;
    $rule = ['office' => $office->key, 'letter' => $letter->key, 'event' => 'status', 'status' => 'Active', 'audience' => ['clients']];
    foreach ([1, 2] as $press) {
        $this->as('ines')->post('/office/letter-rules', $rule)->assertSessionHas('told');
    }
    $this->as('ines')->post('/office/letter-rules', [...$rule, 'audience' => null])->assertSessionHas('reason',
        MessageRefusal::NobodyChosen->value);
    $this->as('ines')->post('/office/letter-rules', [...$rule, 'status' => 'Closed'])->assertSessionHas('told');
    $this->seeAll();
    expect(LetterRule::query()->count())->toBe(2);
    $on = LetterRule::query()->orderBy('id')->firstOrFail();
    $this->as('ines')->post("/office/letters/{$letter->key}/away", ['away' => '1'])->assertSessionHas('told');
    $this->as('ines')->post("/office/letters/{$letter->key}/away", ['away' => '0'])->assertSessionHas('told');
    $this->as('ines')->post("/office/letter-rules/{$on->key}", ['on' => '1']);
    $this->as('ines')->post("/office/letters/{$letter->key}/away", ['away' => '1'])
        ->assertSessionHas('reason', MessageRefusal::LetterInUse->value);
    // A letter that is one's own goes out by itself nowhere.
    $this->as('ines')->post('/office/letters', [...$text, 'name' => 'Mine', 'own' => '1']);
    $this->seeAll();
    $own = FormLetter::query()->where('name', 'Mine')->sole();
    $this->as('ines')->post('/office/letter-rules', [...$rule, 'letter' => $own->key])->assertNotFound();
});

it('turns a client page on once, however often it is pressed', function () {
    $file = $this->aFile();
    $buyer = $file->parties()->where(['role' => 'buyer', 'number' => 1])->sole();
    foreach ([1, 2] as $press) {
        $this->as('tomas')->post("/files/{$file->key}/clients/{$buyer->key}", ['do' => 'on'])->assertSessionHas('told');
    }
    $this->seeAll();
    expect(ClientPage::query()->sole()->link_version)->toBe(1)
        ->and(DB::table('history')->where('what', 'Client page turned on')->count())->toBe(1);
});
