<?php

declare(strict_types=1);

namespace App\Demo;

use App\Models\User;
use App\Moving\Actions\ImportFiles;
use App\Moving\Actions\MatchParcel;
use App\Moving\Actions\TakeParcel;
use Illuminate\Support\Facades\Auth;
use Unanimus\Moving\FolderParcel;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;

/** Quillmark takes over a small office in Saltreach: its files, documents and people lie ready to be moved in. */
final class MovingIn
{
    private const DOCUMENTS = [
        '31 Driftwood Way/Agency disclosure signed.pdf' => 'Agency disclosure',
        '31 Driftwood Way/Contract/Purchase agreement.pdf' => 'Purchase agreement',
        '31 Driftwood Way/Contract/Earnest money receipt.pdf' => 'Earnest money receipt',
        '31 Driftwood Way/scan0012.pdf' => 'Notes of the walk-through',
        'TR-26-05517/photo of the meter.pdf' => 'Water meter',
        'Old Quay 2/keys.pdf' => 'Receipt for two keys',
    ];

    public function __construct(
        private readonly Story $story,
        private readonly TakeParcel $take,
        private readonly ImportFiles $files,
        private readonly MatchParcel $match,
        private readonly Press $press,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->story->at(-1, '16:20');
        $by = $people['ines'];
        Auth::setUser($by);
        $scratch = new Scratch();
        $parcel = new FolderParcel($this->folder($scratch));
        [$import] = ($this->take)($parcel, $by);
        while ($this->take->readNext($import, $parcel)) {
            continue;
        }
        $this->files->try($import, $import->matched, $import->office_id, $by);
        ($this->match)($import->refresh());
        $this->match->tryOut($import);
        $this->story->now();
        Auth::logout();
    }

    private function folder(Scratch $scratch): string
    {
        $root = $scratch->path('Saltreach office');
        $day = fn (int $days) => $this->story->today()->plusDays($days)->slashed();
        $put = static function (string $path, string $bytes) use ($root): void {
            is_dir(dirname("{$root}/{$path}")) || mkdir(dirname("{$root}/{$path}"), 0o775, true);
            file_put_contents("{$root}/{$path}", $bytes);
        };
        $put('files.csv', "Property,Listing No,Agent,Side,Buyer,Seller,Sale Price,Accepted,Closing Date,Status\n".
            "\"31 Driftwood Way, Saltreach\",,Priya Anand,buyer,Wiebke Larrabee,,\"318,500\",{$day(-12)},{$day(24)},pending\n".
            "\"8 Saltpan Lane, Saltreach\",TR-26-05517,Priya Anand,seller,,Corin Aldous,,,,active\n".
            "\"2 Old Quay, Saltreach\",,Hedda Falkenrath,buyer,Oren Tilsley,,\"204,000\",{$day(-90)},{$day(-51)},closed\n");
        $put('documents.csv', "Folder,Document,Checklist item,Approved on,Approved by\n".
            "31 Driftwood Way,Agency disclosure signed.pdf,Agency disclosure,{$day(-10)},Hedda Falkenrath\n".
            "31 Driftwood Way,Purchase agreement.pdf,Purchase agreement,{$day(-10)},Hedda Falkenrath\n");
        $put('tasks.csv', "Property,Task,Due,Completed on\n".
            "31 Driftwood Way,Inspection,,{$day(-4)}\n31 Driftwood Way,Ask for the survey,{$day(3)},\n");
        $put('people.csv', "Name,Email,Role\nHedda Falkenrath,hedda@quillmark.example,agent\n");
        $put('contacts.csv', "Company,Name,Email,Type\nTidal Home Inspections,Jory Penhale,jory@tidal.example,other\n");
        foreach (self::DOCUMENTS as $path => $title) {
            $put($path, $this->press->print([(new Drawing(612, 792))->text(60, 90, 18, $title, weight: 'bold')
                ->text(60, 130, 11, 'Kept by the office in Saltreach.')]));
        }

        return $root;
    }
}
