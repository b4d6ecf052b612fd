<?php

declare(strict_types=1);

use App\Messages\ClientSight;
use App\Models\ClientPage;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Party;
use App\Models\Sight;
use Illuminate\Support\Facades\DB;
use Unanimus\Messages\MessageRefusal;

/** The first buyer of a file, with a page of their own. */
function clientPage(DealFile $file): ClientPage
{
    $buyer = $file->parties()->where(['role' => 'buyer', 'number' => 1])->sole();
    test()->as('tomas')->post("/files/{$file->key}/clients/{$buyer->key}", ['do' => 'on'])->assertSessionHas('told');
    test()->seeAll();

    return ClientPage::query()->where('party_id', $buyer->id)->sole();
}

/** Where the link leads. */
function pathOf(ClientPage $page): string
{
    return (string) parse_url($page->link(), PHP_URL_PATH);
}

it('shows a client what is asked of them, what comes when and what they signed, in their language', function () {
    $file = $this->aFile(['closing' => '2027-01-15', 'acceptance' => '2026-11-20', 'price' => '412,500']);
    $round = $this->aRound($file);
    $page = clientPage($file);
    auth()->forgetGuards();
    $seen = $this->get(pathOf($page))->assertOk()->assertSee('Asked of you now')->assertSee('January 15, 2027')->assertSee('tel:', false);
    $seen->assertDontSee('412,500')->assertDontSee('commission');
    $this->post(pathOf($page).'/language', ['language' => 'es'])->assertRedirect();
    $this->get(pathOf($page))->assertSee('Lo que le pedimos ahora')->assertSee('Cierre');
    $this->post(pathOf($page).'/opened')->assertNoContent();
    $this->seeAll();
    expect($page->refresh()->opened_at)->not->toBeNull();
    $this->as('tomas')->get("/files/{$file->key}/clients")->assertSee('last opened')->assertSee($page->link());
});

it('names the days of the shipped kits in Spanish, and leaves other names as they are', function () {
    foreach (glob(base_path('library/kits/*.json')) ?: [] as $kit) {
        foreach (json_decode((string) file_get_contents($kit), true)['deadlines'] ?? [] as $deadline) {
            expect(ClientSight::named($deadline['name'], $deadline['label']))->toBe($deadline['label']);
            app()->setLocale('es');
            expect(ClientSight::named($deadline['name'], $deadline['label']))->not->toBe($deadline['label'])
                ->and(ClientSight::named($deadline['name'], 'Radon test'))->toBe('Radon test');
            app()->setLocale('en');
        }
    }
});

it('asks them to sign where they are asked, and gives what they signed and nothing else', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $page = clientPage($file);
    $signer = $round->refresh()->signers->firstWhere('party_id', $page->party_id);
    auth()->forgetGuards();
    expect($signer)->not->toBeNull();
    $this->get(pathOf($page))->assertSee($round->title)->assertSee($signer->link());
    $this->get(pathOf($page)."/signed/{$round->key}.pdf")->assertNotFound();
    $this->seeAll();
    $other = $this->aFile(['property.street' => '9 Other Road']);
    $strange = $this->aRound($other);
    $this->get(pathOf($page)."/signed/{$strange->key}.pdf")->assertNotFound();
});

it('gives the sealed set to a client who signed it, as long as their page is on', function () {
    $file = aSignedFile();
    $this->seeAll();
    $round = $file->rounds()->where('status', 'complete')->firstOrFail();
    $page = clientPage($file);
    auth()->forgetGuards();
    $this->get(pathOf($page))->assertSee('What you signed')->assertSee($round->title)->assertSee('Nothing is asked of you right now');
    expect((string) $this->get(pathOf($page)."/signed/{$round->key}.pdf")->assertOk()->getContent())->toStartWith('%PDF');
    // Whoever was not asked to sign it has it not on their page.
    $this->seeAll();
    $third = Party::create([
        'brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'role' => 'buyer', 'number' => 3, 'name' => 'Ana Lund',
    ]);
    $this->as('tomas')->post("/files/{$file->key}/clients/{$third->key}", ['do' => 'on']);
    $this->seeAll();
    $theirs = pathOf(ClientPage::query()->where('party_id', $third->id)->sole());
    auth()->forgetGuards();
    $this->get($theirs)->assertOk()->assertDontSee('What you signed');
    $this->get("{$theirs}/signed/{$round->key}.pdf")->assertNotFound();
});

it('is turned on for our clients alone, sent by email, and turned off with its link', function () {
    $file = $this->aFile();
    $seller = $file->parties()->where('role', 'seller')->first() ?? Party::create([
        'brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'role' => 'seller', 'number' => 1, 'name' => 'Beatrix Palomar',
    ]);
    $at = "/files/{$file->key}/clients";
    $this->as('tomas')->post("{$at}/{$seller->key}", ['do' => 'on'])->assertSessionHas('reason', MessageRefusal::NotOurClient->value);
    $this->as('caleb')->get($at)->assertNotFound();
    $page = clientPage($file);
    $this->as('caleb')->post("{$at}/{$page->party->key}", ['do' => 'off'])->assertNotFound();
    // In a file of both sides each side has its own clients.
    $file->update(['represents' => 'both']);
    $file->members()->where('user_id', $this->people['tomas']->id)->update(['side' => 'buyer']);
    $this->as('tomas')->post("{$at}/{$seller->key}", ['do' => 'on'])->assertNotFound();
    $this->as('tomas')->get($at)->assertOk()->assertDontSee("/clients/{$seller->key}");
    $this->seeAll();
    $file->update(['represents' => 'buyer']);
    $file->members()->where('user_id', $this->people['tomas']->id)->update(['side' => null]);
    Sight::ofPerson($this->people['caleb']->refresh());
    expect(ClientPage::query()->count())->toBe(0);
    $this->as('tomas')->post("{$at}/{$page->party->key}", ['do' => 'send'])->assertSessionHas('told');
    $this->as('tomas')->post("{$at}/{$page->party->key}", ['do' => 'send'])->assertSessionHas('told');
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('action', "client {$page->key}")->sole();
    expect($letter->subject)->toContain('Your page');
    $old = pathOf($page);
    $this->as('tomas')->post("{$at}/{$page->party->key}", ['do' => 'off']);
    auth()->forgetGuards();
    $this->get($old)->assertStatus(410)->assertSee('This page is closed');
    $this->post("{$old}/language", ['language' => 'es'])->assertStatus(410);
    // On again, the link is another one.
    $this->as('tomas')->post("{$at}/{$page->party->key}", ['do' => 'on']);
    $this->seeAll();
    auth()->forgetGuards();
    $this->get($old)->assertNotFound();
    $this->get(pathOf($page->refresh()))->assertOk();
    $this->get(substr(pathOf($page), 0, -3).'aaa')->assertNotFound()->assertSee('This link does not work');
    $this->seeAll();
    expect(DB::table('history')->where('what', 'Client page turned on')->count())->toBe(2)
        ->and(DB::table('history')->where('what', 'Client page turned off')->count())->toBe(1);
});
