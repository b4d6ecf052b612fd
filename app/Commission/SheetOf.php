<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Member;
use App\Models\Role;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Support\Collection;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\ReckoningRefused;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Side;

/** The sheet of a file's side: reckoned from what was entered, the price and the agents' plans; of an authorized one, as it was. */
final readonly class SheetOf
{
    /** Under what a side without an agent of ours is reckoned. */
    private const NOBODY = 'agent:nobody';

    /**
     * @param array<string, PlanYear|null> $years plan of each agent on the closing day, by the name they go under
     * @param array<string, array{string, string}> $names
     * @param array<string, mixed> $given
     */
    private function __construct(
        public ?CommissionSheet $sheet,
        public string $told,
        public array $years,
        public array $names,
        public array $given,
    ) {
    }

    /** Null where there is no price yet. */
    public static function of(DealFile $file, ?Side $side, ?Entered $entered = null): ?self
    {
        $commission = $file->commission;
        if ($entered === null && $commission?->reckoned !== null && $commission->authorized_at !== null) {
            return self::authorized($commission);
        }
        $entered ??= $commission?->entered();
        $facts = FactBook::of($file);
        $stands = $facts->value('price');
        $price = $commission->price ?? ($stands === null || $stands === '' ? null : Money::of($stands));
        if ($price === null) {
            return null;
        }
        $closing = $facts->value('closing') ?: $facts->value('lease_start');
        $day = $closing === null || $closing === '' ? $file->office->today() : LocalDate::of($closing);
        $agents = self::agents($file, $side);
        $years = $given = [];
        $names = [];
        foreach ($agents as $id => [$name, $user]) {
            $names[$id] = [$name, 'agent'];
            $years[$id] = $user === null ? null : PlanYear::of($user, $day, $commission->id ?? 0);
            $typed = (string) ($entered?->kept['splits'][$id] ?? '');
            // What is entered for this deal goes before the plan; it counts in the plan's year all the same.
            $given[$id] = $typed === ''
                ? $years[$id]?->given() ?? ['plan' => []]
                : [...$years[$id]?->given() ?? [], 'plan' => ['rate' => $typed]];
        }
        // Entered before every line had a place of its own: the rate, the split and the fee.
        if ($commission !== null && $entered !== null && $entered->kept === [] && $commission->given === []) {
            $entered = $commission->enteredBefore((string) array_key_first($agents));
            $given = array_map(static fn (array $one) => $one['plan'] === [] && $commission->agent_share !== null
                ? [...$one, 'plan' => ['rate' => $commission->agent_share->decimal()]]
                : $one, $given);
        }
        $names['company'] = [$facts->value('brokerage.name') ?? 'Company', 'company'];
        $names['client'] = ['Credit to the client', 'client'];
        if ($entered === null) {
            return new self(null, '', $years, $names, []);
        }
        $needsDay = ($closing === null || $closing === '') && array_filter($years) !== [];
        try {
            $needsDay && throw new ReckoningRefused('The closing day is missing: it decides the plan year.');
            $all = $entered->given($facts, $price->decimal(), $day->iso(), $given);
            $sheet = CommissionSheet::of($price, $all, $names);
        } catch (ReckoningRefused $refused) {
            $told = CommissionSheet::named($refused->getMessage(), $names);

            return new self(null, $told, $years, $names, []);
        }

        return new self($sheet, '', $years, $names, $all);
    }

    /** Of what the sheet is computed from: another as soon as anything in it is another, also a total of the plan year. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode([$this->sheet?->price->decimal(), $this->given, $this->names], JSON_THROW_ON_ERROR));
    }

    private static function authorized(Commission $commission): self
    {
        $kept = (array) $commission->reckoned;

        return new self(
            CommissionSheet::of($commission->price ?? Money::zero(), (array) $kept['given'], (array) $kept['names']),
            '',
            [],
            (array) $kept['names'],
            (array) $kept['given'],
        );
    }

    /** @return array<string, array{string, User|null}> our agents of that side, in the order they joined, by the name they go under */
    private static function agents(DealFile $file, ?Side $side): array
    {
        /** @var Collection<int, Member> $members */
        $members = $file->members->loadMissing('user')->where('role', Role::Agent)->sortBy('id');
        $side === null || ($members = $members->filter(static fn (Member $member) => $member->side === $side));
        $agents = [];
        foreach ($members as $member) {
            $agents["agent:{$member->user->key}"] = [self::called($file, $member->user), $member->user];
        }

        return $agents !== [] ? $agents : [self::NOBODY => [FactBook::of($file)->value('agent.1.name') ?? 'Agent', null]];
    }

    private static function called(DealFile $file, User $user): string
    {
        return $file->parties->first(
            static fn ($party) => $party->role === PartyRole::Agent && $party->user_id === $user->id,
        )->name ?? $user->name;
    }
}
