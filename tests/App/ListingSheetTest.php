<?php

declare(strict_types=1);

use App\Files\Actions\FileListing;
use App\Models\DealFile;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Http;
use Unanimus\Exchange\ExchangeRefusal;
use Unanimus\Exchange\Listing;
use Unanimus\Files\PaperState;

function aListing(array $more = []): Listing
{
    return Listing::fromReso([
        'ListingId' => 'TR-26-04182',
        'ListingKey' => 'k1',
        'StreetNumber' => '14',
        'StreetName' => 'Lanternfish',
        'StreetSuffix' => 'Lane',
        'City' => 'Tidewick',
        'ListPrice' => 412500,
        'AssociationYN' => true,
        'Sewer' => ['Septic Tank'],
        'PublicRemarks' => str_repeat('A house by the cove with a screened porch. ', 120),
        ...$more,
    ]);
}

it('files a listing as it stands: every field, the remarks, the photographs, where and when from', function () {
    $file = $this->aFile();
    $paper = app(FileListing::class)($file, aListing(), ['Front from the lane', 'Kitchen'], 'Three Rivers Listing Exchange');
    $this->seeAll();
    $text = textOf(app(Bytes::class)->read($paper->latest->sha256));
    expect($text)
        ->toContain('14 Lanternfish Lane, Tidewick')
        ->toContain('$412,500')
        ->toContain('Septic Tank')
        ->toMatch('/Association\s+yes/')
        ->toContain('2 photographs')
        ->toContain('Front from the lane')
        ->toContain('Three Rivers Listing Exchange, read '.$file->office->today()->long())
        ->and(substr_count((string) preg_replace('/\s+/', ' ', $text), 'screened porch'))
        ->toBe(120)
        ->and($paper->latest->pages)
        ->toBeGreaterThan(1)
        ->and($paper->state)
        ->toBe(PaperState::Ready);
});

it('files the same listing once, and what has changed as a version beside it', function () {
    $file = $this->aFile();
    $first = app(FileListing::class)($file, aListing(), [], 'the exchange');
    expect(app(FileListing::class)($file, aListing(), [], 'the exchange'))->toBeNull();
    $second = app(FileListing::class)($file, aListing(['ListPrice' => 399000]), [], 'the exchange');
    expect($second->id)->toBe($first->id)->and($second->versions()->count())->toBe(2);
});

it('files it by itself when the contract is made, once, and by hand at any time', function () {
    Http::fake([
        '*/odata/Property*' => Http::response(['value' => [[
            'ListingId' => 'TR-26-04182', 'ListingKey' => 'k1', 'StreetNumber' => '14', 'StreetName' => 'Lanternfish',
            'ListPrice' => 412500,
        ]]]),
        '*/odata/Media*' => Http::response(['value' => [
            ['MimeType' => 'image/jpeg', 'Order' => 2, 'ShortDescription' => 'Kitchen'],
            ['MimeType' => 'image/jpeg', 'Order' => 1, 'ShortDescription' => 'Front'],
            ['MimeType' => 'application/pdf', 'ShortDescription' => 'Survey'],
        ]]),
    ]);
    $file = $this->aFile();
    $file->update(['listing_number' => 'TR-26-04182']);
    $sheets = function () use ($file): int {
        $this->seeAll();

        return DealFile::query()->findOrFail($file->id)->papers()->where('title', 'like', 'Listing as of %')->count();
    };
    expect($sheets())->toBe(0);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => 'yesterday'])->assertRedirect();
    $this->work();
    expect($sheets())->toBe(1);
    $paper = $file->papers()->where('title', 'like', 'Listing as of %')->sole();
    expect(textOf(app(Bytes::class)->read($paper->latest->sha256)))->toMatch('/1\s+Front\s+2\s+Kitchen/')->not->toContain('Survey');
    $this->as('tomas')->post("/files/{$file->key}/listing/sheet")->assertSessionHas('told');
    $this->work();
    expect($sheets())->toBe(1);
    $none = $this->aFile();
    $this->as('tomas')->post("/files/{$none->key}/listing/sheet")->assertSessionHas('reason', ExchangeRefusal::NoListingNumber->value);
});
