<?php

declare(strict_types=1);

use App\Models\Letter;
use App\Terms\ClientDay;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\FillRefusal;
use Unanimus\Parties\Language;
use Unanimus\Signing\SigningRefusal;

/** @return list<string> what a text is filled in with */
function filledIn(string $text): array
{
    preg_match_all('/:([a-z]+)\b/', $text, $names);
    $names = array_values(array_unique($names[1]));
    sort($names);

    return $names;
}

it('says in Spanish all that client pages say, filled in with the same', function () {
    $of = fn (string $language) => Arr::dot(require base_path("lang/{$language}/client.php"));
    [$english, $spanish] = [$of('en'), $of('es')];
    expect(array_diff_key($english, $spanish))->toBe([])->and(array_diff_key($spanish, $english))->toBe([]);
    foreach ($english as $key => $text) {
        expect(filledIn($spanish[$key]))->toBe(filledIn($text), $key);
    }
});

it('says in Spanish what letters to clients and refusals to signers say, filled in with the same', function () {
    $english = Arr::dot(require base_path('lang/en/mail.php'));
    foreach (Arr::dot(require base_path('lang/es/mail.php')) as $key => $text) {
        // English says “two documents” in words.
        expect(array_diff(filledIn($text), ['count']))->toEqualCanonicalizing(array_diff(filledIn($english[$key]), ['count']), $key);
    }
    foreach (Arr::dot(require base_path('lang/es/refusals.php')) as $key => $text) {
        $words = (str_starts_with($key, 'fill.') ? FillRefusal::from($key) : SigningRefusal::from($key))->words();
        preg_match_all('/\{(\w+)\}/', $words, $names);
        expect(filledIn($text))->toEqualCanonicalizing($names[1], $key);
    }
});

it('writes a day as it is read', function () {
    $day = LocalDate::of('2026-11-27');
    expect(ClientDay::long($day, Language::Spanish))
        ->toBe('viernes 27 de noviembre de 2026')
        ->and(ClientDay::long($day, Language::English))
        ->toBe($day->long());
});

it('lets a signer read in Spanish, from the letter to the evidence, and the sender say so beforehand', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = App\Models\Round::query()->orderByDesc('id')->firstOrFail();
    $signer = $this->signer($round, 'buyer.1');
    $this->as('tomas')
        ->put("/rounds/{$round->key}", ['last_day' => '+4', 'languages' => [$signer->key => 'es'], 'send' => 1])
        ->assertSessionHas('told');
    $this->seeAll();
    $letters = Letter::query()->where('once_key', 'like', 'invite:%')->pluck('subject', 'recipient_name')->all();
    expect($letters['Sunniva Eide'])
        ->toBe('Por favor, firme: '.$round->title)
        ->and($letters['José Nguyễn-Ortiz'])
        ->toBe('Please sign: '.$round->title)
        ->and($file->parties()->where('role', 'buyer')->where('number', 1)->value('language'))
        ->toBe(Language::Spanish);
    Auth::forgetGuards();
    $link = '/sign/'.$signer->refresh()->token();
    $this->get($link)->assertSee('Hola, Sunniva Eide')->assertSee('<html lang="es">', false)->assertSee('English');
    $this->post("{$link}/finish")->assertSessionHas('refused', 'Acepte primero firmar electrónicamente.');
    $this->post("{$link}/consent")->assertSessionHasErrors(['agree' => __('client.sign.must_agree', [], 'es')]);
    $this->signs($round, 'buyer.1');
    // The next one chooses it themselves, and goes back.
    $other = '/sign/'.$this->signer($round, 'buyer.2')->token();
    $this->get($other)->assertSee('Hello José');
    $this->post("{$other}/language", ['language' => 'es'])->assertRedirect($other);
    $this->get($other)->assertSee('Hola, José');
    $this->post("{$other}/language", ['language' => 'fr'])->assertSessionHasErrors('language');
    $this->post("{$other}/language", ['language' => 'en']);
    $this->post('/sign/no-such-link/language', ['language' => 'es'])->assertNotFound();
    foreach (['buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    $text = sealedText($round);
    expect($text)
        ->toContain('Firmar aquí vale lo mismo que firmar en papel.')
        ->toContain('Signing here counts the same as signing on paper.')
        ->and(Letter::query()->where('recipient_name', 'Sunniva Eide')->where('once_key', 'like', 'finished:%')->value('subject'))
        ->toBe('Firmado por todos: '.$round->title)
        ->and(DB::table('round_events')->where('kind', 'consented')->where('seat', 'buyer.1')->value('data'))
        ->toContain('"language": "es"');
});

it('asks a client in Spanish to fill in: letter, questions, refusals; the party reads so the next time', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')
        ->post("/files/{$file->key}/fill-requests", [
            'to' => ['buyer.1'],
            'languages' => ['buyer_1' => 'es'],
            'papers' => [$paper->key],
            'last_day' => '+5',
        ])
        ->assertSessionHas('told');
    $this->seeAll();
    $letter = Letter::query()->where('subject', 'like', 'Por favor, complete%')->sole();
    expect($letter->body)->toContain('le pide que complete su parte');
    $fill = App\Models\FillRequest::query()->sole();
    expect($fill->party->language)->toBe(Language::Spanish);
    Auth::forgetGuards();
    $link = '/fill/'.$fill->token();
    $this->get($link)->assertSee('Documentos para llenar')->assertSee('lang="es"', false)->assertSee('English');
    $this->get("{$link}/questions/1")->assertOk()->assertSee('Guardar y continuar');
    $this->post("{$link}/language", ['language' => 'en'])->assertRedirect($link);
    $this->get($link)->assertSee('Documents to fill in');
    $this->post("{$link}/language", ['language' => 'xx'])->assertSessionHasErrors('language');
});

it('asks in Spanish all that it asks in English', function () {
    $of = fn (string $language) => Arr::dot(require base_path("lang/{$language}/questions.php"));
    [$english, $spanish] = [$of('en'), $of('es')];
    expect(array_keys($spanish))->toBe(array_keys($english));
    foreach ($english as $key => $text) {
        expect(filledIn($spanish[$key]))->toBe(filledIn($text), $key);
    }
});

it('gives a reading copy in Spanish', function () {
    $places = placesIn($this->aFile());
    $this->as('tomas')
        ->post("/sets/{$places['{set}']}/reading-copies", [
            'name' => 'Oda Eide',
            'email' => 'oda@eide.example',
            'language' => 'es',
            'last_day' => '+5',
        ]);
    $this->seeAll();
    $copy = App\Models\ReadingCopy::query()->orderByDesc('id')->firstOrFail();
    expect(Letter::query()->where('recipient', 'oda@eide.example')->sole()->subject)->toStartWith('Documentos para leer');
    Auth::forgetGuards();
    $link = '/read/'.$copy->token();
    $this->get($link)->assertSee('Documentos para leer');
    $this->post("{$link}/language", ['language' => 'en'])->assertRedirect($link);
    $this->get($link)->assertSee('Documents to read');
});

it('gives the sender a message with the link in the language its reader chose', function () {
    $round = $this->aRound($this->aFile());
    $this->seeAll();
    $this->signer($round, 'buyer.2')->update(['language' => 'es']);
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertSee("Hello Sunniva Eide, here is the link to sign {$round->title}")
        ->assertSee("Hola, José Nguyễn-Ortiz. Con este enlace puede firmar {$round->title}");
});
