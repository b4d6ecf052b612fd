<?php

declare(strict_types=1);

namespace App\Terms;

use App\Models\DealFile;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/** A term as it stands in its field. */
final class FieldText
{
    public static function fact(Term|PropertyFact $item, ?Fact $fact, DealFile $file): string
    {
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
