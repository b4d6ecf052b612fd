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
use Unanimus\Parties\PartyDetails;
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
     * @param array<string, string> $seen what stood in those of the fields that tell it
     *
     * @throws StepRefused when the file is no longer worked on, or someone has changed the same meanwhile
     */
    public function __invoke(DealFile $file, Seat $seat, PartyDetails $given, array $seen = []): ?Party
    {
        $file->status->mustBeOpen();
        $this->refuseOthers($file, $seat->side());
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $party = $file->parties()->where('role', $seat->role)->where('number', $seat->number)->first();
        if ($party !== null) {
            $given = $given->changedFrom($seen);
            self::mustHaveSeen($party, $given, $seen);
        }
        $name = $given->text('name') ?? (string) $party?->name;
        if ($name === '') {
            $party === null || $this->unseat($file, $seat, $party);

            return null;
        }
        $values = self::values($file, $party, $given, $name);
        $seated = $file->parties()->updateOrCreate(['role' => $seat->role, 'number' => $seat->number], $values);
        $ways = array_filter(
            ['email' => $given->text('email'), 'phone' => self::shownPhone($given), 'address' => $given->text('address')],
            static fn (?string $way) => $way !== null,
        );
        // A name taken from the address book brings along how it is reached.
        if ($party === null && ($ways['email'] ?? '') === '') {
            $known = $this->book->named($name);
            $ways = [...array_filter($known?->only(['email', 'phone', 'address']) ?? []), ...array_filter($ways)];
            $known?->firm !== null && $seated->firm === null && $seated->update(['firm' => $known->firm]);
        }
        $seated->reach(array_map(static fn (string $way) => $way === '' ? null : $way, $ways));
        // Whom a guest asks, and whom somebody invents, is nobody of our address book.
        $file->isApart() || $this->book->remember($seated->refresh());
        History::add(
            $file->brokerage_id,
            $file->id,
            $party === null ? 'Party added' : 'Party changed',
            ['seat' => $seat->label(), 'before' => $party->name ?? '', 'after' => $name],
            SeenBy::everyone(),
        );
        $file->guest || ($this->applyKit)($file);

        return $seated;
    }

    /** @return array<string, mixed> the columns to store; of what nothing was said stays as it is */
    private static function values(DealFile $file, ?Party $party, PartyDetails $given, string $name): array
    {
        $told = static fn (string $column) => in_array($given->text($column), [null, ''], true) ? null : $given->text($column);
        $ownSigningName = $party !== null && $party->signing_name !== $party->name ? $party->signing_name : null;
        $initials = $party !== null && $party->name === $name
            ? $party->initials
            : Party::initialsOf($told('signed_by') ?? ($party->signed_by ?? $name));
        $values = [
            'brokerage_id' => $file->brokerage_id,
            'name' => $name,
            'signing_name' => $told('signing_name') ?? ($ownSigningName ?? $name),
            'initials' => $told('initials') ?? $initials,
        ];
        foreach (['firm', 'signed_by', 'capacity'] as $column) {
            $given->text($column) === null || ($values[$column] = $told($column));
        }
        $given->printsContact === null || ($values['prints_contact'] = $given->printsContact);
        in_array($given->kind, ['person', 'entity', 'trust', 'estate'], true) && ($values['kind'] = $given->kind);

        return $values;
    }

    private static function shownPhone(PartyDetails $given): ?string
    {
        $phone = $given->text('phone');

        return $phone === null || $phone === '' ? $phone : Phone::show($phone);
    }

    /**
     * @param array<string, string> $seen
     *
     * @throws StepRefused when what stands is neither what was seen nor what is given
     */
    private static function mustHaveSeen(Party $party, PartyDetails $given, array $seen): void
    {
        foreach (self::TOLD as $key => $label) {
            [$stands, $told] = [(string) $party->getAttribute($key), $given->text($key)];
            if ($told !== null && isset($seen[$key]) && ! in_array($stands, ['', $seen[$key], $told], true)) {
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
