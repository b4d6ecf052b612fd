<?php

declare(strict_types=1);

namespace App\Demo;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;
use Unanimus\Requirements\Stage;
use Unanimus\Terms\SameAs;

/** Further files that fill lanes and reports, the same for every run of the same seed. */
final class Generator
{
    private const STREETS = [
        'Sawmill Terrace',
        'Fennel Row',
        'Upper Quoin Road',
        'Gannet Steps',
        'Orchard Bank',
        'Tollgate',
        'Heron Weir',
        'Candlemaker Yard',
        'Ridgeway',
        'Netloft Lane',
        'Bellfounder Street',
        'Quarryside',
        'Ferrymans Walk',
        'Thistle Hollow',
        'Saltpan Lane',
        'Lockkeepers Row',
    ];

    private const TOWNS = ['Pellingford', 'Tidewick', 'Upper Quoin', 'Saltreach'];

    private const FIRST = [
        'Mira',
        'Joachim',
        'Adaeze',
        'Linus',
        'Perpetua',
        'Søren',
        'Chloé',
        'Haruto',
        'Zofia',
        'Bram',
        'Ngọc',
        'Ottilie',
        'Rafael',
        'Esme',
        'Kwame',
        'Ingrid',
    ];

    private const LAST = [
        'Ashdown',
        'Kovačević',
        'Brightwater',
        'Okonjo',
        'Vandermeer',
        'Castellanos',
        'Fjordholm',
        'Merriweather',
        'Trần',
        'Lindqvist',
        'Adeyemi',
        'Sandoval',
        'Pemberlake',
        'Dubois-Hale',
    ];

    private const REQUIREMENTS = [
        'Agency disclosure' => 'agency',
        'Purchase agreement' => 'offer',
        'Financing addendum' => 'offer',
        'Earnest money receipt' => 'contract',
        'Inspection notice' => 'contract',
        'Title commitment' => 'contract',
        'Closing statement' => 'closing',
    ];

    /** @var array<string, string> SHA-256 by title */
    private array $scans = [];

    /** @var array<int, bool> whether it is open, of files that have a contract */
    private array $sold = [];

    public function __construct(
        private readonly Story $story,
        private readonly Bytes $bytes,
        private readonly Press $press,
        private readonly Figures $figures,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people, int $count): void
    {
        mt_srand(20261123);
        $agents = array_values(array_filter($people, static fn (User $user) => $user->title() === 'agent'));
        $open = intdiv($count, 5);
        for ($i = 0; $i < $count; $i++) {
            $agent = $agents[$i % count($agents)];
            $this->file($agent, $people['wendell'], $i < $open, $i);
        }
        $this->figures->lay($people, $this->sold);
    }

    private function file(User $agent, User $coordinator, bool $open, int $index): void
    {
        $officeId = (int) $agent->officeRoles->firstOrFail()->office_id;
        $today = $this->story->today();
        $side = mt_rand(0, 2) === 0 ? 'seller' : 'buyer';
        $listed = $open && mt_rand(0, 5) === 0;
        $closing = $this->story->businessDay($open ? mt_rand(2, 62) : -mt_rand(4, 725));
        // What agents with a plan closed lately counts in what their plans say was counted before.
        $known = in_array(strstr((string) $agent->email, '@', true), Plans::AGENTS, true);
        $closing = $known && ! $open ? $closing->plusDays(-728) : $closing;
        // The loan is approved within 35 days, before the closing.
        $accepted = $closing->plusDays(-mt_rand(38, 58));
        $accepted = $open && $accepted->isAfter($today) ? $today->plusDays(-mt_rand(1, 9)) : $accepted;
        // A file is opened a few days before its offer is accepted, and none in the future.
        $opened = $accepted->plusDays(-3);
        $this->story->at(-$opened->daysUntil($today), '10:'.sprintf('%02d', ($index * 7) % 60));
        $street = 2 + (($index * 37) % 480).' '.self::STREETS[$index % count(self::STREETS)];
        $town = self::TOWNS[mt_rand(0, 3)];
        $drawn = $open ? mt_rand(1, 6) : 7;
        $settled = $open ? $this->settled($listed, $accepted->daysUntil($today), $today->daysUntil($closing), $drawn) : 7;
        $file = DealFile::create([
            'brokerage_id' => $agent->brokerage_id,
            'office_id' => $officeId,
            'name' => "{$street}, {$town}",
            'represents' => $side,
            'kind' => 'sale',
            'status' => $open ? ($listed ? 'active' : 'under_contract') : 'closed',
            'listing_number' => sprintf('TR-%s-%05d', $open ? '26' : '25', 5000 + $index),
            'opened_by' => $agent->id,
            'closed_on' => $open ? null : $closing->iso(),
            'required' => 7,
            'settled' => $settled,
        ]);
        $base = ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id];
        DB::table('file_members')->insert([
            [...$base, 'user_id' => $agent->id, 'role' => 'agent'],
            ...mt_rand(0, 1) === 0 || ! $open ? [] : [[...$base, 'user_id' => $coordinator->id, 'role' => 'coordinator']],
        ]);
        $facts = [
            'property.street' => $street,
            'property.city' => $town,
            'property.state' => 'MW',
            // Older homes are asked for a lead paint disclosure, which these files have none of.
            'property.year_built' => (string) mt_rand(1979, 2022),
            'price' => ($hundreds = mt_rand(1600, 7400)).'00.00',
            'earnest_money' => (10 * intdiv($hundreds, 500)).'00.00',
            'financing' => ($insured = mt_rand(0, 4) === 0) ? 'government' : 'conventional',
            'loan_percent' => $insured ? '96.5' : '80',
            'client_source' => ['Past client', 'Open house', 'Website', 'Sign call', 'Friend of a client'][$file->id % 5],
            $side === 'seller' ? 'listing_commission' : 'buyer_commission' => $side === 'seller' ? '2.75' : '2.5',
        ];
        if (! $listed) {
            $this->sold[$file->id] = $open;
            $facts += ['acceptance' => $accepted->iso(), 'closing' => $closing->iso(), 'possession' => SameAs::CLOSING];
            foreach (
                [
                    'earnest' => 5,
                    'inspection' => 10,
                    'repair_answer' => 13,
                    'title' => 15,
                    'appraisal' => 25,
                    'loan' => 35,
                ] as $name => $days
            ) {
                $due = $accepted->plusDays($days + 2);
                if ($due->isBefore($today) && mt_rand(0, 28) !== 0) {
                    $facts["done.{$name}"] = $due->iso();
                }
            }
        }
        $rows = [];
        foreach ($facts as $name => $value) {
            $rows[] = [...$base, 'name' => $name, 'value' => $value, 'source' => 'entered'];
        }
        DB::table('facts')->insert($rows);
        $this->people($base, $agent, $side);
        $this->checklist($file, $agent, $settled, $accepted, $open && $closing->isAfter($today) ? $today : $closing);
        $open &&
            DB::table('file_kits')->insert([
                ...$base,
                'kit' => $side === 'buyer' ? 'purchase-buyer' : 'listing-seller',
                'version' => 0,
                'by_itself' => true,
            ]);
        \App\Terms\SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));
        Auth::setUser($agent);
        History::add($file->brokerage_id, $file->id, 'File opened', ['side' => $side, 'kind' => 'sale'], SeenBy::everyone());
        $listed || $this->tell($file, -$accepted->daysUntil($today), 'Under contract');
        $open || $this->tell($file, -$closing->daysUntil($today), 'Closed');
        $this->story->now();
        Auth::logout();
    }

    /** How many papers are there after so many days: a listing has no contract yet, a closing next week all but its statement. */
    private function settled(bool $listed, int $since, int $left, int $drawn): int
    {
        if ($listed) {
            return 1;
        }
        $there = match (true) {
            $since > 17 => 6,
            $since > 13 => 5,
            $since > 6 => 4,
            default => 2,
        };

        return $left > 10 && $there > 2 && $drawn % 3 === 0 ? $there - 1 : $there;
    }

    private function tell(DealFile $file, int $day, string $what): void
    {
        $this->story->at($day, '16:40');
        History::add($file->brokerage_id, $file->id, $what, [], SeenBy::everyone());
    }

    /** @param  array{brokerage_id: int, deal_file_id: int}  $base */
    private function people(array $base, User $agent, string $side): void
    {
        foreach (['buyer', 'seller'] as $role) {
            $name = self::FIRST[mt_rand(0, 15)].' '.self::LAST[mt_rand(0, 13)];
            // The other side's seller is reached through their agent.
            $email = in_array($role, ['buyer', $side], true) ? Str::slug($name, '.').'@client.example' : null;
            $this->seat($base, $role, $name, $email, null);
        }
        $this->seat($base, 'agent', $agent->name, $agent->email, $agent->id);
    }

    /** @param  array{brokerage_id: int, deal_file_id: int}  $base */
    private function seat(array $base, string $role, string $name, ?string $email, ?int $userId): void
    {
        $party = Party::create([
            ...$base,
            'role' => $role,
            'number' => 1,
            'name' => $name,
            'signing_name' => $name,
            'initials' => Party::initialsOf($name),
            'user_id' => $userId,
        ]);
        $email === null || $party->reach(['email' => $email]);
    }

    /** The papers the file must hold: those that are settled are there as scans, the others are expected. */
    private function checklist(DealFile $file, User $agent, int $settled, LocalDate $from, LocalDate $to): void
    {
        $base = ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id];
        $rows = [];
        foreach (array_keys(self::REQUIREMENTS) as $index => $title) {
            $isThere = $index < $settled;
            // In some files the last paper that came in waits for the broker.
            $isWaiting = $file->status === DealStatus::UnderContract && $index === $settled - 1 && $settled > 2 && $file->id % 5 === 0;
            $isWaiting && $file->update(['settled' => $settled - 1]);
            // Spread over the time from acceptance to closing, and none of it tomorrow.
            $day = $from->plusDays(intdiv($from->daysUntil($to) * $index, count(self::REQUIREMENTS)));
            $this->story->at(-$day->daysUntil($this->story->today()), sprintf('%02d:%02d', 9 + $index, ($file->id * 7) % 60));
            $paper = Paper::create([
                ...$base,
                'title' => $title,
                'stage' => self::REQUIREMENTS[$title],
                'state' => $isThere ? PaperState::Ready : PaperState::Expected,
                'position' => (int) array_search(self::REQUIREMENTS[$title], Stage::keys(), true) * 1000 + $index * 10,
                'reason' => 'every purchase',
                // The other two were put there by hand.
                'called_by' => in_array($title, ['Inspection notice', 'Title commitment'], true) ? '' : 'rule',
            ]);
            if ($isThere) {
                $paper->addVersion($this->scan($file->brokerage_id, $title), 1, MadeBy::Uploaded, "{$title}.pdf", $agent->id);
            }
            $rows[] = [
                ...$base,
                'paper_id' => $paper->id,
                'key' => (string) Str::ulid(),
                'title' => $title,
                'stage' => self::REQUIREMENTS[$title],
                'position' => $index * 10,
                'reason' => 'every purchase',
                'review_state' => $isWaiting ? 'submitted' : ($isThere ? 'accepted' : 'not_submitted'),
                'submitted_at' => $isThere ? now()->subHours(3) : null,
                'submitted_by' => $isThere ? $agent->id : null,
                'decided_at' => $isThere && ! $isWaiting ? now() : null,
            ];
        }
        DB::table('requirements')->insert($rows);
    }

    /** The bytes of such a scan, the same for all files. */
    private function scan(int $brokerageId, string $title): string
    {
        return $this->scans[$title] ??= $this->bytes->keep(
            $brokerageId,
            $this->press->print([
                (new Drawing(612, 792))
                    ->text(60, 90, 18, $title, weight: 'bold')
                    ->text(60, 130, 11, 'A scan of the signed paper, as it was uploaded to this sample file.'),
            ]),
        );
    }
}
