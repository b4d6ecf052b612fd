<?php

declare(strict_types=1);

use Unanimus\Parties\CallName;

it('calls a person by the first name, and a trust or company by the whole of its name', function (
    string $name,
    string $called,
    string $short,
) {
    expect([CallName::of($name), CallName::short($name)])->toBe([$called, $short]);
})->with([
    ['Sunniva Eide', 'Sunniva', 'Sunniva'],
    ['Dr. José  Nguyễn-Ortiz', 'José', 'José'],
    ['The Greywater Family Trust', 'The Greywater Family Trust', 'Greywater'],
    ['Greywater Holdings, LLC', 'Greywater Holdings, LLC', 'Greywater'],
    ['Estate of Orla Devereux-Kim', 'Estate of Orla Devereux-Kim', 'Estate'],
    ['Anchorfield Title & Escrow Co.', 'Anchorfield Title & Escrow Co.', 'Anchorfield'],
    ['Greywater, Odalys', 'Odalys', 'Odalys'],
    ['Odalys Greywater, trustee', 'Odalys', 'Odalys'],
    ['Greywater, trustee', 'Greywater', 'Greywater'],
    ['Martin Luther Holt, Jr.', 'Martin', 'Martin'],
    ['orla@kim.example', 'orla@kim.example', 'orla@kim.example'],
    ['Theodora Lund', 'Theodora', 'Theodora'],
    ['', '', ''],
]);
