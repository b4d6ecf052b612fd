<?php

declare(strict_types=1);

namespace App\Terms;

use App\Models\DealFile;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;

/** A term as it stands in its field. */
final class FieldText
{
    public static function fact(Term|PropertyFact $item, ?Fact $fact, DealFile $file): string
    {
        // A day that follows another stands as it was typed, whether or not that one is known.
        if ($item === Term::Possession && $file->knownFacts->firstWhere('name', $item->value)?->value === SameAs::CLOSING) {
            return SameAs::readable(SameAs::CLOSING);
        }
        if ($fact === null) {
            return '';
        }

        return match ($item->kind()) {
            Kind::Date => LocalDate::of($fact->value)->short($file->office->today()->year()),
            Kind::Money => (string) Money::of($fact->value),
            Kind::Percent => "{$fact->value}%",
            default => $item->kind()->show($fact->value),
        };
    }
}
