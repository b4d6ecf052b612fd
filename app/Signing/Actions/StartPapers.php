<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\Files\Actions\OpenFile;
use App\Models\DealFile;
use App\Models\User;
use App\Papers\Actions\BringIn;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\BroughtKind;
use Unanimus\Intake\PaperTitle;
use Unanimus\Pages\PlainText;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\StepRefused;

/** Begins with papers that have no deal file yet: they get a small file of their own, and a round if something was brought along. */
final class StartPapers
{
    /** Seconds in which the same paper is the same press. */
    private const AGAIN = 60;

    public function __construct(
        private readonly OpenFile $open,
        private readonly BringIn $bringIn,
        private readonly ComposeRound $compose,
    ) {
    }

    /**
     * @param string|null $path of what was dropped; null: nothing yet, forms are chosen next
     * @return DealFile with its rounds
     *
     * @throws BringRefused when it cannot be taken
     * @throws StepRefused when the person may not open files
     */
    public function __invoke(User $by, ?string $path, string $name): DealFile
    {
        $title = trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo(PlainText::of($name), PATHINFO_FILENAME)));
        $title = mb_strimwidth($title === '' ? 'Papers' : $title, 0, 120, '…');
        DB::select('SELECT pg_advisory_xact_lock(3, ?)', [$by->id % 2147483647]);
        // Dropped once, however often the button was pressed; another paper of the same name is another one.
        $once = "loose-papers:{$by->id}:".($path === null ? 'none' : (string) hash_file('sha256', $path));
        $begun = DealFile::query()->where(['key' => (string) Cache::get($once), 'kind' => DealKind::Papers])->first();
        if ($begun !== null) {
            return $begun->load('rounds');
        }
        // What takes a minute is converted in a file, where one can go on meanwhile.
        $path === null || BroughtKind::of($path)?->isSlow() !== true || throw SigningRefusal::AskedAsPdf->because();
        $brought = $path === null ? null : $this->bringIn->convert($path);
        $file = ($this->open)($by, Representation::Both, DealKind::Papers, name: $title);
        $file->update(['status' => DealStatus::Active]);
        if ($brought !== null) {
            $paper = $this->bringIn->file($file, $brought, $name)->paper;
            PaperTitle::isNameless($name) && $file->update(['name' => $paper->title]);
            ($this->compose)($file->load(['papers', 'parties', 'office']), [$paper->setRelation('file', $file)], $by);
        }

        Cache::put($once, $file->key, self::AGAIN);

        return $file->load('rounds');
    }
}
