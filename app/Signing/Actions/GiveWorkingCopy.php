<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Papers\PaperPrint;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\PaperReading;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;
use Unanimus\Signing\WorkingCopyRules;
use Unanimus\Steps\StepRefused;

/**
 * Gives papers of a file to the agent of the other side, who has their own clients sign them from here: as a guest, in a small
 * file of their own with the papers as they are now and nothing else.
 */
final class GiveWorkingCopy
{
    public function __construct(private readonly PaperPrint $print, private readonly Bytes $bytes)
    {
    }

    /**
     * @param list<Paper> $papers with their file
     * @param array{name: string, firm: string, email: string, message: string} $agent
     *
     * @throws StepRefused when there is no other side from outside, nobody is named, or a paper cannot be given
     */
    public function give(DealFile $file, array $papers, array $agent, LocalDate $lastDay, User $by): WorkingCopy
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $file->status->mustBeOpen();
        $side = WorkingCopyRules::mustGo(
            $file->represents,
            $file->kind,
            $agent['name'],
            array_map(static fn (Paper $paper) => [$paper->title, $paper->state], $papers),
            $lastDay,
            $file->office->today(),
        );
        $name = mb_substr(trim($agent['name']), 0, 120);
        $begun = $this->justGiven($file, $papers, $name, trim($agent['email']));
        if ($begun !== null) {
            return $begun;
        }
        $guestKey = (string) Str::ulid();
        $guest = (int) DB::scalar('SELECT add_guest(?, ?, ?)', [$guestKey, $name, trim($agent['email'])]);
        $guestFile = $this->guestFile($file, $papers, $side, $guest);
        $copy = WorkingCopy::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'guest_file_id' => $guestFile,
            'guest_id' => $guest,
            'name' => $name,
            'firm' => mb_substr(trim($agent['firm']), 0, 120),
            'email' => trim($agent['email']),
            'message' => mb_substr(trim($agent['message']), 0, 2000),
            'last_day' => $lastDay,
            'user_id' => $by->id,
        ]);
        foreach ($papers as $paper) {
            $this->putIn($copy, $paper);
        }
        History::add(
            $file->brokerage_id,
            $file->id,
            'Working copy given',
            [
                'to' => $copy->setRelation('giver', $by)->agent(),
                'papers' => implode(', ', array_map(static fn (Paper $paper) => $paper->title, $papers)),
                'until' => $lastDay->iso(),
            ],
            SeenBy::everyone(),
        );
        $this->tell($copy, $file, $by, count($papers));

        return $copy;
    }

    /**
     * The same papers to the same person within a minute are the same press.
     *
     * @param list<Paper> $papers
     */
    private function justGiven(DealFile $file, array $papers, string $name, string $email): ?WorkingCopy
    {
        $ids = collect(array_map(static fn (Paper $paper) => $paper->id, $papers))->sort()->values()->all();

        return WorkingCopy::query()
            ->with('papers')
            ->where(['deal_file_id' => $file->id, 'name' => $name, 'email' => $email])
            ->whereNull('ended_at')
            ->where('created_at', '>', now()->subMinute())
            ->get()
            ->first(static fn (WorkingCopy $copy) => $copy->papers->pluck('paper_id')->sort()->values()->all() === $ids);
    }

    /** It was opened by a person, for the first time. */
    public function opened(WorkingCopy $copy): void
    {
        if ($copy->opened_at === null) {
            $copy->update(['opened_at' => now()]);
            Sight::asTheFile(
                $copy->deal_file_id,
                static fn () => History::add(
                    $copy->brokerage_id,
                    $copy->deal_file_id,
                    'Working copy opened',
                    ['by' => $copy->agent()],
                    SeenBy::everyone(),
                ),
            );
        }
    }

    /** Ends it at once: nothing more is read or sent from it. What is out for signature already goes on. */
    public function end(WorkingCopy $copy): void
    {
        if ($copy->ended_at === null) {
            $copy->update(['ended_at' => now()]);
            History::add($copy->brokerage_id, $copy->deal_file_id, 'Working copy ended', ['to' => $copy->agent()], SeenBy::everyone());
        }
    }

    /**
     * The small file the guest works in, which nobody of the brokerage looks into.
     *
     * @param list<Paper> $papers
     */
    private function guestFile(DealFile $file, array $papers, Side $side, int $guest): int
    {
        $id = (int) DB::selectOne("SELECT nextval(pg_get_serial_sequence('deal_files', 'id')) AS id")->id;
        DB::table('file_members')->insert([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $id,
            'user_id' => $guest,
            'role' => Role::Agent,
        ]);
        $address = $file->knownFacts->firstWhere('name', 'property.street')->value ?? '';
        Sight::asTheFile($id, static function () use ($file, $papers, $side, $id, $address): void {
            DealFile::create([
                'id' => $id,
                'brokerage_id' => $file->brokerage_id,
                'office_id' => $file->office_id,
                'name' => $address === '' ? $papers[0]->title : $address,
                'represents' => Representation::from($side->value),
                'kind' => DealKind::Papers,
                'status' => DealStatus::Active,
                'guest' => true,
                'practice' => $file->practice,
            ]);
            // Their own clients stand on the papers by name; how they are reached is not ours to tell.
            foreach ($file->parties->where('role', PartyRole::from($side->value))->sortBy('number')->values() as $index => $party) {
                Party::create([
                    'brokerage_id' => $file->brokerage_id,
                    'deal_file_id' => $id,
                    'role' => $party->role,
                    'number' => $index + 1,
                    'name' => $party->name,
                    'signing_name' => $party->signing_name,
                    'initials' => $party->initials,
                    'kind' => $party->kind,
                ]);
            }
            History::add($file->brokerage_id, $id, 'File opened', ['side' => $side->value, 'kind' => 'papers'], SeenBy::everyone());
        });

        return $id;
    }

    /** The paper as it is printed now; here it stays what it was. */
    private function putIn(WorkingCopy $copy, Paper $paper): void
    {
        $pdf = $this->print->of($paper);
        $scratch = new Scratch();
        $pages = count(PdfLook::into($scratch->put('paper.pdf', $pdf))->pages());
        $read = new PaperReading($this->print->reading($paper) ?? $paper->latest?->read()->form);
        $sha256 = $this->bytes->keep($copy->brokerage_id, $pdf);
        $theirs = Sight::asTheFile($copy->guest_file_id, static function () use ($copy, $paper, $pages, $read, $sha256): Paper {
            $theirs = Paper::create([
                'brokerage_id' => $copy->brokerage_id,
                'deal_file_id' => $copy->guest_file_id,
                'title' => $paper->title,
                'form_number' => $paper->form_number,
                'form_revision' => $paper->form_revision,
                'stage' => $paper->stage,
                'state' => PaperState::Ready,
                'position' => $paper->position,
                'reason' => 'working copy',
            ]);
            $theirs->addVersion($sha256, $pages, MadeBy::Uploaded, 'working copy', read: $read);

            return $theirs;
        });
        $copy->papers()->create([
            'brokerage_id' => $copy->brokerage_id,
            'paper_id' => $paper->id,
            'guest_paper_id' => $theirs->id,
            'given_sha256' => $sha256,
        ]);
    }

    private function tell(WorkingCopy $copy, DealFile $file, User $by, int $papers): void
    {
        $copy->email === '' ||
            Post::ofFile(
                $file,
                "work:{$copy->key}",
                new Addressee($copy->name, $copy->email),
                Wording::of(
                    'work',
                    [
                        'sender' => $by->name,
                        'papers' => $papers,
                        'day' => $copy->last_day->long(),
                        'message' => $copy->message,
                    ],
                    $papers,
                ),
                "work {$copy->key}",
            );
    }
}
