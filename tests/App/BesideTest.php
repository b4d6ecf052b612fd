<?php

declare(strict_types=1);

use App\History\Sentence;
use App\Models\KnownFact;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Scratch;

it('shows the listing beside a paper, and tells where a value was carried over from', function () {
    $file = $this->aFile();
    KnownFact::query()
        ->where('deal_file_id', $file->id)
        ->where('name', 'property.county')
        ->update(['source' => 'Three Rivers Listing Exchange, Nov 20']);
    $paper = $this->paper($file, 'M-201');
    $this->as('tomas')->get("/papers/{$paper->key}")->assertSee('Show beside it')->assertSee('The listing');
    $this->as('tomas')
        ->get("/papers/{$paper->key}/beside?of=listing")
        ->assertOk()
        ->assertSee('Ostrander')
        ->assertSee('data-use="Ostrander"', false);
    entry($paper, ['blank' => 'seller_status', 'value' => 'married', 'key' => 'beside-0001', 'from' => 'the listing']);
    // For an empty term it becomes the term, which says so too.
    entry($paper, ['blank' => 'excluded', 'value' => 'porch swing', 'key' => 'beside-0002', 'from' => 'the listing']);
    expect(KnownFact::query()->where('deal_file_id', $file->id)->where('name', 'excluded')->value('source'))->toBe('the listing');
    $told = DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Entry')->orderByDesc('seq')->first();
    expect(Sentence::of('Entry', json_decode($told->data, true)))->toContain('from the listing');
    $this->as('tomas')->get("/papers/{$paper->key}")->assertSee('from the listing');
});

it('finds what the other side’s paper says and ours does not, and fills our empty blanks from it, once', function () {
    $file = $this->aFile();
    $ours = $this->paper($file, 'M-201');
    // The same form came back from the other side with their answers on it.
    $theirs = $this->aFile();
    entry($this->paper($theirs, 'M-201'), ['blank' => 'excluded', 'value' => 'the porch swing', 'key' => 'theirs-001']);
    entry($this->paper($theirs, 'M-201'), ['blank' => 'price', 'value' => '408,000', 'key' => 'theirs-002']);
    $pdf = $this->as('tomas')->get("/papers/{$this->paper($theirs, 'M-201')->key}/pdf")->assertOk()->getContent();
    $scratch = new Scratch();
    $one = new UploadedFile($scratch->put('c.pdf', $pdf), 'counter from their agent.pdf', 'application/pdf', null, true);
    $this->as('tomas')
        ->post("/files/{$file->key}/papers", ['pdf' => $one, 'key' => 'counter-01'], ['Accept' => 'application/json'])
        ->assertOk();
    $this->seeAll();
    $counter = $file->papers()->where('title', 'like', 'counter from%')->sole();
    $counter->update(['form_number' => 'M-201', 'form_revision' => $ours->form_revision]);
    $this->as('tomas')
        ->get("/papers/{$ours->key}/beside?of={$counter->key}")
        ->assertOk()
        ->assertSee('differ from this paper')
        ->assertSee('the porch swing')
        ->assertSee('$408,000')
        ->assertSee('Page 1');
    $carry = fn () => $this->as('tomas')->post("/papers/{$ours->key}/carried", ['of' => $counter->key]);
    $carry()->assertSessionHas('told');
    $this->seeAll();
    // What stood here stays: the price is shown to differ and left to the person.
    expect($ours->fresh()->entries()['excluded'])
        ->toBe('the porch swing')
        ->and($ours->fresh()->entries())
        ->not->toHaveKey('price')
        ->and(DB::table('paper_entries')->where('paper_id', $ours->id)->where('blank', 'excluded')->value('source'))
        ->toBe($counter->title);
    $carry()->assertSessionHas('told', 'Carried over 0 values.');
    $this->as('tomas')->get("/papers/{$ours->key}/beside?of=01AAAAAAAAAAAAAAAAAAAAAAAA")->assertNotFound();
});
