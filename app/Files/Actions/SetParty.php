<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\AddressBook;
use App\History\History;
use App\Models\DealFile;
use App\Models\Party;
use App\Requirements\Actions\ApplyKit;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PartyRefusal;
use Unanimus\Files\SeenBy;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;
use Unanimus\Signing\Seat;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Phone;

/** Seats a person in the deal, or changes who sits there. */
final class SetParty
{
    /** What two people may change at once, in the words that tell the second. */
    private const TOLD = [
        'name' => 'the name',
        'signing_name' => 'the signing name',
        'initials' => 'the initials',
        'email' => 'the email address',
        'phone' => 'the phone number',
        'address' => 'the address',
        'firm' => 'the company',
        'signed_by' => 'who signs',
        'capacity' => 'the capacity',
    ];

    public function __construct(private readonly ApplyKit $applyKit, private readonly AddressBook $book)
    {
    }

    /**
     * @param array{name?: string|null, signing_name?: string|null, initials?: string|null, email?: string|null, phone?: string|null,
     *     address?: string|null, firm?: string|null, kind?: string|null, signed_by?: string|null, capacity?: string|null,
     *     prints_contact?: bool} $given what is left out stays as it is; an empty name takes the person off the seat
     * @param array<string, string> $seen what stood in those of the fields that tell it
     *
     * @throws StepRefused when the file is no longer worked on, or someone has changed the same meanwhile
     */
    public function __invoke(DealFile $file, Seat $seat, array $given, array $seen = []): ?Party
    {
        $file->status->mustBeOpen();
        $this->refuseOthers($file, $seat->side());
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $party = $file->parties()->where('role', $seat->role)->where('number', $seat->number)->first();
        $party === null || self::mustHaveSeen($party, $given, $seen);
        $name = trim((string) (array_key_exists('name', $given) ? $given['name'] : $party?->name));
        if ($name === '') {
            $party === null || $this->unseat($file, $seat, $party);

            return null;
        }
        $clean = static fn (string $key) => trim((string) ($given[$key] ?? '')) === '' ? null : trim((string) $given[$key]);
        $values = [
            'brokerage_id' => $file->brokerage_id,
            'name' => $name,
            'signing_name' => $clean('signing_name') ?? (
                $party !== null && $party->signing_name !== $party->name ? $party->signing_name : $name
            ),
            'initials' => $clean('initials') ??
                ($party !== null && $party->name === $name
                    ? $party->initials
                    : Party::initialsOf($clean('signed_by') ?? ($party->signed_by ?? $name))),
        ];
        if (array_key_exists('prints_contact', $given)) {
            $values['prints_contact'] = (bool) $given['prints_contact'];
        }
        if (in_array($given['kind'] ?? null, ['person', 'entity', 'trust', 'estate'], true)) {
            $values['kind'] = $given['kind'];
        }
        foreach (['firm', 'signed_by', 'capacity'] as $key) {
            if (array_key_exists($key, $given)) {
                $values[$key] = $clean($key);
            }
        }
        $seated = $file->parties()->updateOrCreate(['role' => $seat->role, 'number' => $seat->number], $values);
        $ways = [];
        foreach (['email', 'phone', 'address'] as $key) {
            array_key_exists($key, $given) &&
                ($ways[$key] = $key === 'phone' && $clean($key) !== null ? Phone::show((string) $clean($key)) : $clean($key));
        }
        // A name taken from the address book brings along how it is reached.
        if ($party === null && trim((string) ($given['email'] ?? '')) === '') {
            [$known, $firm] = $this->book->reachOf($name);
            $ways = [...array_filter($known), ...array_filter($ways)];
            $firm !== null && $seated->firm === null && $seated->update(['firm' => $firm]);
        }
        $seated->reach($ways);
        $this->book->remember($seated->refresh());
        History::add(
            $file->brokerage_id,
            $file->id,
            $party === null ? 'Party added' : 'Party changed',
            ['seat' => $seat->label(), 'before' => $party->name ?? '', 'after' => $name],
            SeenBy::everyone(),
        );
        ($this->applyKit)($file);

        return $seated;
    }

    /**
     * @param array<string, mixed> $given
     * @param array<string, string> $seen
     *
     * @throws StepRefused when what stands is neither what was seen nor what is given
     */
    private static function mustHaveSeen(Party $party, array $given, array $seen): void
    {
        foreach (self::TOLD as $key => $label) {
            $stands = (string) $party->getAttribute($key);
            if (isset($seen[$key], $given[$key]) && $stands !== '' && $stands !== $seen[$key] && $stands !== trim((string) $given[$key])) {
                throw PartyRefusal::ChangedMeanwhile->because(label: $label, value: $stands);
            }
        }
    }

    /**
     * Puts a role's parties in a new order; their numbers follow.
     *
     * @param list<string> $keys every party of the role, in order
     *
     * @throws StepRefused when it is not all of them, or a round is out that names their seats
     */
    public function reorder(DealFile $file, PartyRole $role, array $keys): void
    {
        $this->refuseOthers($file, $role->side());
        $parties = $file->parties()->where('role', $role)->orderBy('number')->get()->keyBy('key');
        if ($parties->keys()->sort()->values()->all() !== collect($keys)->sort()->values()->all()) {
            throw PartyRefusal::ListChanged->because();
        }
        if ($file->rounds()->where('status', 'out')->exists()) {
            throw PartyRefusal::RoundNamesThem->because();
        }
        // Two steps, as no seat may be held twice even for a moment.
        foreach ($keys as $index => $key) {
            $parties[$key]->update(['number' => 50 + $index]);
        }
        foreach ($keys as $index => $key) {
            $parties[$key]->update(['number' => $index + 1]);
        }
        History::add(
            $file->brokerage_id,
            $file->id,
            'Parties put in order',
            ['role' => $role->value, 'order' => $parties->sortBy('number')->pluck('name')->implode(', ')],
            SeenBy::everyone(),
        );
        ($this->applyKit)($file);
    }

    private function refuseOthers(DealFile $file, ?Side $side): void
    {
        if (! $file->isOwnAffair($side)) {
            throw PartyRefusal::OtherSides->because(side: (string) $side?->value);
        }
    }

    private function unseat(DealFile $file, Seat $seat, Party $party): void
    {
        if ($file->rounds()->whereHas('signers', static fn ($signers) => $signers->where('party_id', $party->id))->exists()) {
            throw PartyRefusal::AskedToSign->because(name: $party->name);
        }
        if (
            $file->rounds()->where('status', 'out')->exists() &&
            $file->parties()->where('role', $seat->role)->where('number', '>', $seat->number)->exists()
        ) {
            throw PartyRefusal::RoundNamesThem->because();
        }
        $party->delete();
        foreach ($file->parties()->where('role', $seat->role)->where('number', '>', $seat->number)->orderBy('number')->get() as $next) {
            $next->update(['number' => $next->number - 1]);
        }
        History::add(
            $file->brokerage_id,
            $file->id,
            'Party removed',
            ['seat' => $seat->label(), 'before' => $party->name, 'after' => ''],
            SeenBy::everyone(),
        );
        ($this->applyKit)($file);
    }
}
