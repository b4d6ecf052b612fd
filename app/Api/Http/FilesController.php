<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Api\FileRecord;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Office;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\DealFields;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyDetails;
use Unanimus\Parties\Representation;
use Unanimus\Signing\Seat;

/** Files, terms, people and checklists, for programs. */
final class FilesController
{
    public function index(Request $request): JsonResponse
    {
        $given = $request->validate([
            'status' => ['nullable', Rule::enum(DealStatus::class)],
            'changed_since' => 'nullable|date',
            'listing' => 'nullable|string|max:60',
            'after' => 'nullable|string|size:26',
            'limit' => 'nullable|integer|min:1|max:200',
        ]);
        $limit = (int) ($given['limit'] ?? 50);
        $after = ($given['after'] ?? null) === null ? null : DealFile::query()->where('key', $given['after'])->value('id');
        $files = DealFile::query()
            ->with(['office', 'knownFacts'])
            ->where('practice', false)
            ->when($given['status'] ?? null, static fn (Builder $files, string $status) => $files->where('status', $status))
            ->when($given['listing'] ?? null, static fn (Builder $files, string $number) => $files->where('listing_number', $number))
            ->when($given['changed_since'] ?? null, static fn (Builder $files, string $at) => $files
                ->where(static fn (Builder $changed) => $changed->where('deal_files.updated_at', '>=', Carbon::parse($at))
                    ->orWhereRaw('EXISTS (SELECT 1 FROM history h WHERE h.deal_file_id = deal_files.id AND h.at >= ?)',
                        [Carbon::parse($at)])))
            ->when($after, static fn (Builder $files, int $id) => $files->where('deal_files.id', '>', $id))
            ->orderBy('deal_files.id')
            ->limit($limit + 1)
            ->get();

        return new JsonResponse([
            'files' => $files->take($limit)->map(FileRecord::short(...))->values()->all(),
            'next' => $files->count() > $limit ? $files[$limit - 1]->key : null,
        ]);
    }

    public function show(DealFile $file): JsonResponse
    {
        Gate::authorize('see', $file);

        return self::whole($file);
    }

    public function store(Request $request, OpenFile $open, SetFact $setFact): JsonResponse
    {
        Gate::authorize('open-files');
        $given = $request->validate([
            'represents' => ['required', Rule::enum(Representation::class)],
            'kind' => ['nullable', Rule::enum(DealKind::class)],
            'office' => 'nullable|string|max:120',
            'terms' => 'nullable|array|max:60',
        ]);
        $office = ($given['office'] ?? '') === '' ? null : (int) Office::query()->where('name', $given['office'])->firstOrFail()->id;
        $file = $open(
            User::signedIn($request),
            Representation::from($given['represents']),
            DealKind::tryFrom($given['kind'] ?? '') ?? DealKind::Sale,
            $office,
        );
        $terms = self::terms($given['terms'] ?? []);
        $terms === [] || $setFact->many($file->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']), $terms);

        return self::whole(DealFile::query()->findOrFail($file->id), 201);
    }

    public function update(Request $request, DealFile $file, SetFact $setFact): JsonResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['terms' => 'required|array|min:1|max:60']);
        $file->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']);
        $setFact->many($file, self::terms($given['terms']));

        return self::whole(DealFile::query()->findOrFail($file->id));
    }

    public function people(DealFile $file): JsonResponse
    {
        Gate::authorize('see', $file);

        return new JsonResponse(['people' => $file->parties()->orderBy('id')->get()->map(FileRecord::party(...))->all()]);
    }

    public function seat(Request $request, DealFile $file, string $seat, SetParty $set): JsonResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'name' => 'nullable|string|max:120',
            'email' => 'nullable|email|max:200',
            'phone' => 'nullable|string|max:40',
            'firm' => 'nullable|string|max:120',
            'address' => 'nullable|string|max:300',
        ]);
        $file->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']);
        try {
            $at = Seat::of($seat);
        } catch (\InvalidArgumentException $none) {
            abort(422, $none->getMessage());
        }
        $party = $set($file, $at, PartyDetails::ofFields($given));

        return new JsonResponse($party === null ? FileRecord::emptySeat($seat) : FileRecord::party($party));
    }

    public function checklist(DealFile $file): JsonResponse
    {
        Gate::authorize('see', $file);

        return new JsonResponse(['requirements' => $file->requirements()->with('paper')->get()->map(FileRecord::requirement(...))->all()]);
    }

    /**
     * @param array<array-key, mixed> $given
     * @return array<string, string>
     */
    private static function terms(array $given): array
    {
        $terms = [];
        foreach ($given as $field => $value) {
            $fact = DealFields::fact((string) $field);
            $fact !== null && (is_scalar($value) || $value === null) || throw ApiRefusal::UnknownField->because(field: (string) $field);
            $terms[$fact] = (string) $value;
        }

        return $terms;
    }

    private static function whole(DealFile $file, int $status = 200): JsonResponse
    {
        return new JsonResponse(FileRecord::whole($file->load(['office', 'knownFacts', 'members.user'])), $status);
    }
}
