<?php

declare(strict_types=1);

use App\Access\OwnAddress;
use App\Mail\ActionLink;
use App\Models\Letter;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

const OWN_ADDRESS = 'http://deals.fernhollow.example';

/** Gives the brokerage with that number an address, as the operator does; what was said. */
function addressed(int $brokerage, string $address): string
{
    config(['unanimus.hosts' => 'deals.fernhollow.example,papers.other.example']);
    Sight::ofBrokerage($brokerage);
    Artisan::call('brokerage:address', ['number' => $brokerage, 'address' => $address, '--database' => 'pgsql']);

    return trim(Artisan::output());
}

afterEach(fn () => OwnAddress::enter(null));

it('answers at a brokerage’s own address in its name, leads on under it, and lets nobody else’s people in', function () {
    $ours = $this->people['tomas']->brokerage_id;
    $other = anotherBrokerage();
    $this->seeAll();
    expect(addressed($other->brokerage_id, OWN_ADDRESS.'/'))->toContain('is reached at '.OWN_ADDRESS);
    // Its people see that, once however often it is said.
    addressed($other->brokerage_id, OWN_ADDRESS.'/');
    Sight::ofBrokerage($other->brokerage_id);
    $told = DB::table('brokerage_history')->where('what', 'Own address given')->pluck('data');
    expect($told)->toHaveCount(1)->and(json_decode((string) $told[0], true))->toBe(['address' => OWN_ADDRESS]);
    $this->seeAll();
    $this->call('GET', OWN_ADDRESS.'/sign-in')->assertOk()->assertSee('Harborstone Homes');
    expect($this->call('GET', OWN_ADDRESS.'/files')->headers->get('Location'))->toBe(OWN_ADDRESS.'/sign-in');
    $password = ['password' => 'lanternfish'];
    $this->call('POST', OWN_ADDRESS.'/sign-in', ['email' => 'tomas@quillmark.example', ...$password])->assertSessionHasErrors('email');
    $this->assertGuest();
    $this->call('POST', OWN_ADDRESS.'/sign-in', ['email' => $other->email, 'password' => 'x'])->assertSessionHasNoErrors();
    $this->assertAuthenticated();
    auth()->logout();
    OwnAddress::enter(null);
    // Nor with a session that was begun at another address.
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', ...$password])->assertSessionHasNoErrors();
    auth()->forgetGuards();
    expect($this->call('GET', OWN_ADDRESS.'/files')->headers->get('Location'))->toBe(OWN_ADDRESS.'/sign-in');
    OwnAddress::enter(null);
    auth()->forgetGuards();
    auth()->logout();
    // At the installation's own address everybody signs in, and nothing is said of one brokerage.
    $this->get('/sign-in')->assertOk()->assertDontSee('Harborstone');
    $this->post('/sign-in', ['email' => 'tomas@quillmark.example', ...$password])->assertSessionHasNoErrors();
    expect($ours)->not->toBe($other->brokerage_id);
});

it('makes the links of a brokerage’s emails under its own address, and of nobody else’s', function () {
    $other = anotherBrokerage();
    $this->seeAll();
    addressed($other->brokerage_id, OWN_ADDRESS);
    $letter = fn (User $to) => new Letter(['brokerage_id' => $to->brokerage_id, 'action' => '/files']);
    $address = fn (User $of) => Sight::within(
        $of->brokerage_id,
        static fn () => DB::table('brokerages')->where('id', $of->brokerage_id)->value('address'),
    );
    $link = fn (User $to) => OwnAddress::within($address($to), static fn () => ActionLink::of($letter($to)));
    expect($link($other))->toBe(OWN_ADDRESS.'/files')
        ->and($link($this->people['tomas']))->toBe(config('app.url').'/files')
        ->and(url('/files'))->toBe(config('app.url').'/files');
    addressed($other->brokerage_id, 'none');
    expect($link($other))->toBe(config('app.url').'/files');
});

it('says why an address cannot be given, and changes nothing', function (string $address, string $why) {
    $other = anotherBrokerage();
    $this->seeAll();
    addressed($this->people['tomas']->brokerage_id, 'http://papers.other.example');
    expect(addressed($other->brokerage_id, $address))->toContain($why)->toContain('Nothing was changed.')
        ->and(DB::table('brokerages')->where('id', $other->brokerage_id)->value('address'))->toBeNull();
})->with([
    ['deals.fernhollow.example', 'is no address'],
    ['https://deals.fernhollow.example/office', 'is no address'],
    ['https://elsewhere.example', 'UNANIMUS_HOSTS'],
    ['http://papers.other.example', 'Another brokerage has that address'],
]);

it('gives no address to a brokerage that is not there, nor that of the installation', function () {
    $this->seeAll();
    expect(addressed(999_999, OWN_ADDRESS))->toContain('There is no brokerage')
        ->and(addressed($this->people['tomas']->brokerage_id, (string) config('app.url')))->toContain('the installation itself');
});

it('lets nobody of a brokerage say where it is reached, not its administrator either', function () {
    $id = $this->people['fenna']->brokerage_id;
    $this->as('fenna');
    Sight::ofPerson($this->people['fenna']);
    expect(fn () => DB::transaction(fn () => DB::table('brokerages')->where('id', $id)->update(['address' => OWN_ADDRESS])))
        ->toThrow(QueryException::class, 'only the operator says where');
});
