<?php

declare(strict_types=1);

namespace App\Reports;

use App\Models\User;
use Illuminate\Http\Request;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Reports\Period;

/** What a report is asked for: which days, of which office, agent, label. */
final readonly class Asked
{
    private function __construct(
        public Period $period,
        public string $named,
        public string $office,
        public string $agent,
        public string $label,
        public string $told,
        private LocalDate $today,
    ) {
    }

    /** Today where a person works. */
    public static function today(User $user): LocalDate
    {
        return LocalDate::at(now(), new \DateTimeZone($user->zone()));
    }

    public static function from(Request $request, LocalDate $today): self
    {
        return self::of(array_map(static fn (mixed $one) => is_string($one) ? $one : '', $request->query()), $today);
    }

    /** @param  array<string, string>  $query */
    public static function of(array $query, LocalDate $today): self
    {
        $named = isset(Period::NAMED[$query['period'] ?? '']) ? $query['period'] : 'year';
        $period = Period::named($named, $today);
        $told = '';
        if (($query['from'] ?? '') !== '' && ($query['to'] ?? '') !== '') {
            try {
                $period = Period::between(LocalDate::parse($query['from'], $today), LocalDate::parse($query['to'], $today));
                $named = '';
            } catch (DateUnreadable $unreadable) {
                $told = $unreadable->getMessage();
            }
        }

        return new self($period, $named, $query['office'] ?? '', $query['agent'] ?? '', $query['label'] ?? '', $told, $today);
    }

    /**
     * As an address asks for it.
     *
     * @return array<string, string>
     */
    public function query(): array
    {
        $days = $this->named !== ''
            ? ['period' => $this->named]
            : ['from' => $this->period->from->iso(), 'to' => $this->period->to->iso()];

        return array_filter(
            [...$days, 'office' => $this->office, 'agent' => $this->agent, 'label' => $this->label],
            static fn (string $one) => $one !== '',
        );
    }

    /** The days before it that it is held against. */
    public function before(): Period
    {
        return $this->period->before($this->today);
    }

    /** The same for other days. */
    public function during(Period $period): self
    {
        return new self($period, '', $this->office, $this->agent, $this->label, '', $this->today);
    }
}
