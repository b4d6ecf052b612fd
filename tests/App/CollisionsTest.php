<?php

declare(strict_types=1);

use App\Models\DealFile;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Support\AppCase;

/** A route that notes in the file, and collides with another request the first times. */
function collides(int $times, string $state = '40P01'): stdClass
{
    $seen = (object) ['tries' => 0, 'files' => []];
    Route::post('/collides/{file}', function (DealFile $file) use ($seen, $times, $state) {
        $seen->tries++;
        $seen->files[] = $file;
        DB::table('deal_files')->where('id', $file->id)->update(['listing_number' => DB::raw("coalesce(listing_number, '') || 'x'")]);
        $seen->tries <= $times && throw new QueryException('pgsql', 'UPDATE', [], new class($state) extends PDOException
        {
            public function __construct(string $state)
            {
                parent::__construct('Two waited for each other.');
                $this->code = $state;
            }
        });

        return $file->fresh()->listing_number;
    })->middleware(['web', 'auth']);

    return $seen;
}

it('tries a request again that collides with another, from the start, and does what it does once', function () {
    /** @var AppCase $this */
    $file = $this->aFile();
    $seen = collides(2);
    $this->as('tomas')->post("/collides/{$file->key}")->assertOk()->assertSeeText('x')->assertDontSeeText('xx');
    expect($seen->tries)->toBe(3)->and($seen->files[0])->not->toBe($seen->files[2]);
    $this->seeAll();
    expect($file->fresh()->listing_number)->toBe('x');
});

it('says that it did not work where requests go on colliding, and keeps nothing of them', function () {
    /** @var AppCase $this */
    $file = $this->aFile();
    $seen = collides(9, '40001');
    $this->as('tomas')->post("/collides/{$file->key}")->assertStatus(500)->assertSee('Something went wrong');
    $this->seeAll();
    expect($seen->tries)->toBe(3)->and($file->fresh()->listing_number)->toBeNull();
});

it('tries nothing twice for another fault, or with a file whose bytes were taken already', function () {
    /** @var AppCase $this */
    $file = $this->aFile();
    $seen = collides(1, '23505');
    $this->as('tomas')->post("/collides/{$file->key}")->assertStatus(500);
    expect($seen->tries)->toBe(1);
    $seen = collides(1);
    $this->as('tomas')->post("/collides/{$file->key}", ['paper' => UploadedFile::fake()->create('a.pdf', 1)])->assertStatus(500);
    expect($seen->tries)->toBe(1);
});

it('changes whoever asks, too, when it is tried again', function () {
    /** @var AppCase $this */
    $tries = 0;
    Route::post('/collides-self', function (Illuminate\Http\Request $request) use (&$tries) {
        $request->user()->update(['phone' => '555-0100']);
        ++$tries === 1 && throw new QueryException('pgsql', 'UPDATE', [], new class() extends PDOException
        {
            protected $code = '40P01';
        });

        return $request->user()->name;
    })->middleware(['web', 'auth']);
    $this->as('tomas')->post('/collides-self')->assertOk()->assertSee('Tomás');
    $this->seeAll();
    expect($tries)->toBe(2)->and($this->people['tomas']->fresh()->phone)->toBe('555-0100');
});
