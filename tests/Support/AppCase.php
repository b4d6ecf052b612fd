<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Demo\Seed;
use App\Files\Actions\OpenFile;
use App\Files\Actions\SetFact;
use App\Files\Actions\SetParty;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Round;
use App\Models\Sight;
use App\Models\Signer;
use App\Models\User;
use App\Papers\Actions\StoreEntry;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\SendRound;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Parties\PartyDetails;
use Unanimus\Signing\Seat;

/**
 * A brokerage with its people in a transaction that is taken back after each test; the application's own role, so that row-level security
 * holds.
 */
abstract class AppCase extends TestCase
{
    /** @var array<string, User> */
    public array $people = [];

    protected function setUp(): void
    {
        parent::setUp();
        // As it is for the application: one connection, whose statements stay prepared, for request after request.
        $options = (array) config('database.connections.pgsql.options');
        config(['database.connections.pgsql.options' => [\PDO::ATTR_PERSISTENT => true] + $options]);
        $this->app->bind(TimeStamps::class, static fn () => new OpensslStamps((string) config('unanimus.authority')));
        DB::beginTransaction();
        $this->people = Seed::people();
        $this->seeAll();
    }

    protected function tearDown(): void
    {
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        DB::disconnect();
        parent::tearDown();
    }

    /** What the test itself looks at is not held to one person's sight. */
    public function seeAll(): void
    {
        Sight::ofBrokerage($this->people['tomas']->brokerage_id);
    }

    /** The day so many days from now, as the office has it: near midnight not the one that UTC has. */
    public function day(int $fromNow): string
    {
        return $this->people['tomas']->officeRoles->firstOrFail()->office->today()->plusDays($fromNow)->iso();
    }

    public function as(string $who): static
    {
        Auth::forgetGuards();

        return $this->actingAs($this->people[$who]->fresh());
    }

    /** A file of Tomás for two buyers with terms, as the opening sheet leaves it. @param  array<string, string>  $terms */
    public function aFile(array $terms = []): DealFile
    {
        Auth::setUser($this->people['tomas']);
        $file = app(OpenFile::class)($this->people['tomas'], \Unanimus\Parties\Representation::Buyer);
        app(OpenFile::class)->join($file, $this->people['wendell'], \App\Models\Role::Coordinator);
        app(SetParty::class)($file, Seat::of('buyer.1'), new PartyDetails(name: 'Sunniva Eide', email: 'sunniva@eide.example'));
        app(SetParty::class)($file, Seat::of('buyer.2'), new PartyDetails(name: 'José Nguyễn-Ortiz', email: 'jose@eide.example'));
        app(SetParty::class)($file, Seat::of('seller.1'), new PartyDetails(name: 'Beatrix Palomar'));
        app(SetFact::class)->many($file, [
            'property.street' => '14 Lanternfish Lane',
            'property.city' => 'Tidewick',
            'property.county' => 'Ostrander',
            'property.year_built' => '1962',
            'price' => '412,500',
            'earnest_money' => '8,000',
            'financing' => 'government',
            'loan_percent' => '96.5',
            'escrow_holder' => 'Anchorfield Title & Escrow',
            'earnest_days' => '3',
            'loan_days' => '35',
            'offer_date' => '2026-11-20',
            'offer_expiry' => '2026-11-24',
            'offer_expiry_time' => '5pm',
            'closing' => '2026-12-18',
            'possession' => '2026-12-21',
            ...$terms,
        ]);
        Auth::forgetGuards();

        return $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'requirements', 'members']);
    }

    public function paper(DealFile $file, string $form): Paper
    {
        return $file->papers()->where('form_number', $form)->firstOrFail();
    }

    /** @param  list<string>  $forms */
    public function aRound(DealFile $file, array $forms = ['M-102']): Round
    {
        Auth::setUser($this->people['tomas']);
        foreach ($forms as $form) {
            foreach (
                [
                    'M-215' => ['agency' => 'Federal housing insurance', 'fee_loan' => 'x', 'repairs' => '1500'],
                    'M-230' => ['known_no' => 'x', 'reports_no' => 'x'],
                ][$form] ?? [] as $blank => $value
            ) {
                app(StoreEntry::class)($this->paper($file, $form), $blank, $value, "test:{$blank}");
            }
        }
        $round = app(ComposeRound::class)(
            $file->load('papers'),
            array_map(fn (string $form) => $this->paper($file, $form), $forms),
            $this->people['tomas'],
        );
        app(SendRound::class)($round);
        Auth::forgetGuards();

        return $round->refresh();
    }

    public function signer(Round $round, string $seat): Signer
    {
        $this->seeAll();

        return Signer::query()->where('round_id', $round->id)->where('seat', $seat)->firstOrFail();
    }

    /** Goes the signer's whole way through the pages. */
    public function signs(Round $round, string $seat): void
    {
        $signer = $this->signer($round, $seat);
        $link = '/sign/'.$signer->token();
        Auth::forgetGuards();
        $this->get($link)->assertOk();
        $this->post("{$link}/consent", ['agree' => '1'])->assertRedirect($link);
        $this->post("{$link}/adopt", ['name' => $signer->name, 'initials' => $signer->initials, 'hand' => 'flowing'])->assertRedirect(
            $link,
        );
        $this->seeAll();
        foreach (
            $round
                ->refresh()
                ->load(['signers', 'marks', 'events'])
                ->state()
                ->owes($seat) as $mark
        ) {
            $this->postJson("{$link}/marks/{$mark}")->assertOk();
        }
        $this->post("{$link}/finish")->assertRedirect($link);
        $this->seeAll();
    }

    /** Lets the queue's worker do what is waiting. */
    public function work(): void
    {
        Artisan::call('queue:work', [
            '--queue' => 'sealing,messages,letters,conversion,reading,stacks,uploads-read,moving-read,moving-try,moving-open,moving-lists,'.
                'moving-in,sets,listings,calls,reports,default',
            '--stop-when-empty' => true,
            '--sleep' => 0,
            '--memory' => 1024,
            '--tries' => 1,
        ]);
        $this->seeAll();
    }
}
