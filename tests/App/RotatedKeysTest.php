<?php

declare(strict_types=1);

use App\Access\Invitation;
use App\Files\CalendarLink;
use App\History\History;
use Illuminate\Support\Facades\Crypt;
use Tests\Support\AppCase;

/** Another key for the application, with the one of now among those before it, or forgotten. */
function anotherAppKey(bool $forgets = false): void
{
    $before = (string) config('app.key');
    config(['app.key' => 'base64:'.base64_encode(random_bytes(32)), 'app.previous_keys' => $forgets ? [] : [$before]]);
    app()->forgetInstance('encrypter');
    Crypt::clearResolvedInstance('encrypter');
}

it('reads with the keys before it what was made with them, and makes everything with the one of now', function () {
    /** @var AppCase $this */
    $this->as('tomas');
    $file = $this->aFile();
    $signer = $this->signer($this->aRound($file), 'buyer.1');
    [$token, $calendar, $secret] = [$signer->token(), CalendarLink::ofFile($file), Crypt::encryptString('11-222')];
    anotherAppKey();
    $this->get($calendar)->assertOk();
    $this->get("/sign/{$token}")->assertOk()->assertSee($signer->name);
    $this->seeAll();
    expect(Crypt::decryptString($secret))->toBe('11-222')
        ->and(History::fault($file->id))->toBeNull()
        ->and($signer->token())->not->toBe($token)
        ->and(CalendarLink::ofFile($file))->not->toBe($calendar);
});

it('lets a link in a mailbox live through a new key, and dies with a key that is forgotten', function () {
    /** @var AppCase $this */
    $this->as('tomas');
    $user = $this->people['tomas'];
    $user->forceFill(['invited_at' => now()])->save();
    $link = Invitation::link($user);
    [$key, $until, $proof] = array_slice(explode('/', (string) parse_url($link, PHP_URL_PATH)), 2);
    expect(Invitation::find($key, (int) $until, $proof)?->id)->toBe($user->id);
    anotherAppKey();
    expect(Invitation::find($key, (int) $until, $proof)?->id)->toBe($user->id);
    anotherAppKey(forgets: true);
    expect(Invitation::find($key, (int) $until, $proof))->toBeNull();
});
