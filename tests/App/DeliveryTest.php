<?php

declare(strict_types=1);

use App\Assembly\Actions\KeepSet;
use App\Assembly\Actions\MakeSet;
use App\Assembly\Actions\SendMissing;
use App\Models\AssembledSet;
use App\Models\Delivery;
use App\Models\Party;
use App\Models\ReadingCopy;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;

/** The disclosure of a file, signed here by everyone; of the second buyer it is not known that they have it. */
function signedHere(object $test): App\Models\Round
{
    $file = $test->aFile();
    $round = $test->aRound($file->refresh(), ['M-102', 'M-201']);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $test->work();
        $test->signs($round->refresh(), $seat);
    }
    $test->work();
    $test->seeAll();
    $jose = $file->parties()->where(['role' => 'buyer', 'number' => 2])->sole();
    expect(Delivery::query()->where('party_id', $jose->id)->delete())->toBe(2);

    return $round->refresh();
}

it('knows who has a signed paper from the set, names who has not, and sends it to them once', function () {
    $round = signedHere($this);
    $file = $round->file;
    $paper = $round->papers()->where('title', 'like', 'Agency%')->sole()->paper;
    $this->seeAll();
    $who = fn () => Delivery::query()->where('paper_id', $paper->id)->get()
        ->map(static fn (Delivery $one) => Party::query()->findOrFail($one->party_id)->name." {$one->how->value}")->sort()->values()->all();
    expect($who())->toBe(['Sunniva Eide signed', 'Tomás Reyes-Whitlock signed']);
    // The purchase agreement the seller has not signed: it is owed to nobody yet.
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('1 signed paper has not reached');
    $this->as('tomas')->get("/files/{$file->key}/delivery")->assertOk()
        ->assertDontSee('Purchase agreement')->assertSee('not yet')->assertSee('with the signed set');
    $this->as('caleb')->get("/files/{$file->key}/delivery")->assertNotFound();
    $this->as('caleb')->post("/files/{$file->key}/delivery/send")->assertNotFound();
    $this->as('tomas')->post("/files/{$file->key}/delivery/send")->assertSessionHas('told', 'Sent to José Nguyễn-Ortiz.');
    $this->as('tomas')->post("/files/{$file->key}/delivery/send")->assertSessionHas('told', 'Nothing was sent.');
    $this->seeAll();
    expect($who())->toContain('José Nguyễn-Ortiz link')
        ->and(ReadingCopy::query()->where('email', 'jose@eide.example')->count())->toBe(1);
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('not reached');
    Sight::ofPerson($this->people['caleb']->refresh());
    expect(Delivery::query()->exists())->toBeFalse();
});

it('lets whoever presses at the same moment wait for the file before it reads what is missing', function () {
    $file = signedHere($this)->file;
    DB::enableQueryLog();
    $this->as('tomas')->post("/files/{$file->key}/delivery/send")->assertSessionHas('told', 'Sent to José Nguyễn-Ortiz.');
    $asked = collect(DB::getQueryLog())->pluck('query');
    $waits = $asked->search(static fn (string $sql) => str_contains($sql, '"deal_files"') && str_ends_with($sql, 'for update'));
    $reads = $asked->search(static fn (string $sql) => str_contains($sql, 'from "deliveries"'));
    expect($waits)->toBeInt()->and($reads)->toBeInt()->toBeGreaterThan($waits);
});

it('writes to somebody in their language what the papers are', function () {
    $file = signedHere($this)->file;
    $file->parties()->where(['role' => 'buyer', 'number' => 2])->sole()->update(['language' => 'es']);
    $this->as('tomas')->post("/files/{$file->key}/delivery/send")->assertSessionHas('told', 'Sent to José Nguyễn-Ortiz.');
    $this->seeAll();
    expect(ReadingCopy::query()->where('email', 'jose@eide.example')->sole()->message)
        ->toBe('Estos documentos están firmados por todos. Guarde una copia.');
});

it('notes what reached somebody otherwise, once, on its day; a new version is owed again', function () {
    $round = signedHere($this);
    $file = $round->file;
    $paper = $round->papers()->where('title', 'like', 'Agency%')->sole()->paper;
    $to = $file->parties()->where(['role' => 'buyer', 'number' => 2])->sole();
    $note = fn (array $more = []) => $this->as('tomas')
        ->post("/files/{$file->key}/delivery", ['party' => $to->key, 'papers' => [$paper->key], 'how' => 'hand', ...$more]);
    $note(['how' => 'signed'])->assertSessionHasErrors('how');
    $note(['papers' => []])->assertSessionHasErrors('papers');
    $note(['on' => 'someday'])->assertSessionHas('refused');
    $note(['on' => '11/20/2026'])->assertSessionHas('told');
    $note()->assertSessionHas('told', 'Noted: 0 papers reached José Nguyễn-Ortiz.');
    $this->seeAll();
    $one = Delivery::query()->where('party_id', $to->id)->sole();
    expect([$one->how->value, $one->on_day->iso()])->toBe(['hand', '2026-11-20'])
        ->and(DB::table('history')->where(['what' => 'Delivered', 'data->how' => 'handed over'])->count())->toBe(1);
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('not reached');
});

it('has many pages put together by the worker, and sends them once they are, however often it is pressed', function () {
    $file = signedHere($this)->file;
    app()->bind(KeepSet::class, static fn () => new KeepSet(app(MakeSet::class), app(Bytes::class), 0));
    $send = fn () => $this->as('tomas')->post("/files/{$file->key}/delivery/send");
    $told = 'Many pages: they go to José Nguyễn-Ortiz as soon as they are combined.';
    $send()->assertSessionHas('told', $told);
    $send()->assertSessionHas('told', $told);
    $this->seeAll();
    expect(AssembledSet::query()->count())->toBe(1)->and(ReadingCopy::query()->count())->toBe(0);
    $this->as('tomas')->get("/files/{$file->key}/delivery")->assertSee('Many pages are being combined for José Nguyễn-Ortiz');
    $this->work();
    $this->seeAll();
    expect(ReadingCopy::query()->where('email', 'jose@eide.example')->count())->toBe(1);
    // Killed after it went out, before the work was struck off: the second time nobody gets anything.
    $set = AssembledSet::query()->sole();
    Sight::within($set->brokerage_id, fn () => app(SendMissing::class)->ready($set->id));
    $send()->assertSessionHas('told', 'Nothing was sent.');
    $this->seeAll();
    expect(ReadingCopy::query()->count())->toBe(1);
});

it('says which paper could not be put together, and tries again when it is asked to', function () {
    $file = signedHere($this)->file;
    app()->bind(KeepSet::class, static fn () => new KeepSet(app(MakeSet::class), app(Bytes::class), 0));
    $send = fn () => $this->as('tomas')->post("/files/{$file->key}/delivery/send");
    $send();
    $this->seeAll();
    AssembledSet::query()->sole()->update(['status' => 'failed', 'failure' => 'One of the papers cannot be printed.']);
    $this->as('tomas')->get("/files/{$file->key}/delivery")->assertSee('They were not sent: One of the papers cannot be printed.');
    $send()->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$file->key}/delivery")->assertDontSee('They were not sent');
    $this->seeAll();
    expect(AssembledSet::query()->count())->toBe(2);
});
