<?php

declare(strict_types=1);

namespace App\Demo;

use App\Commission\Actions\SetOfficeFees;
use App\Commission\Actions\SetPlan;
use App\Models\Office;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;

/** How the agents of the sample brokerage share, and how far their year was before this copy kept sheets. */
final class Plans
{
    /** Those of whom it is known how far their year was before, by short name. */
    public const AGENTS = ['tomas', 'priya', 'caleb', 'rosalind'];

    public function __construct(private readonly SetPlan $set, private readonly SetOfficeFees $fees)
    {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people, LocalDate $today): void
    {
        $before = Auth::user();
        Auth::setUser($people['marguerite']);
        $year = LocalDate::ymd($today->year(), 1, 1);
        $fee = ['amount' => '250.00', 'cap' => '2500.00'];
        foreach (
            [
                'tomas' => [['rate' => '70', 'cap' => '16000.00', 'afterCap' => $fee, 'year' => 'calendar'], '26500', '7950'],
                'priya' => [['rate' => '75', 'cap' => '18000.00', 'afterCap' => $fee, 'year' => 'calendar'], '69200', '17300'],
                'caleb' => [['rate' => '65', 'year' => 'calendar'], '31400', '10990'],
                'rosalind' => [
                    [
                        'tiers' => [['rate' => '60', 'upTo' => '100000.00'], ['rate' => '70']],
                        'tiersBy' => 'cn',
                        'year' => '03-01',
                        'team' => ['lead' => $people['greta']->key, 'name' => $people['greta']->name, 'percent' => '10', 'base' => 'after'],
                    ],
                    '96250.40',
                    '38500.16',
                ],
            ] as $name => [$plan, $net, $company]
        ) {
            isset($people[$name]) && ($this->set)(
                $people[$name],
                $year,
                $plan,
                ['cn' => Money::of($net), 'company' => Money::of($company)],
                $people['marguerite'],
            );
        }
        Auth::setUser($people['ines']);
        ($this->fees)(
            Office::query()->where('name', 'Pellingford')->firstOrFail(),
            [['label' => 'Insurance', 'amount' => '0.5%', 'base' => 'before', 'maximum' => '25']],
        );
        $before === null || Auth::setUser($before);
    }
}
