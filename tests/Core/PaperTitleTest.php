<?php

declare(strict_types=1);

use Unanimus\Intake\PaperTitle;

it('calls a document by its file, or by its heading where the name says nothing', function (string $name, string $heading, string $title) {
    expect(PaperTitle::of($name, $heading))->toBe($title);
})->with([
    ['scan0012.pdf', 'INSPECTION NOTICE', 'Inspection notice'],
    ['IMG_2031.jpg', 'Earnest Money Receipt', 'Earnest Money Receipt'],
    ['Scanned Document (3).pdf', 'Title Commitment', 'Title Commitment'],
    ['2026-11-29 14.03.22.pdf', 'Survey:', 'Survey'],
    ['20261129_140322.pdf', 'Survey', 'Survey'],
    ['document.pdf', '', 'document'],
    ['fax 4 copy.pdf', 'OK', 'fax 4 copy'],
    ['9f86d081-884c-4d7d-9a2f.pdf', 'Appraisal', 'Appraisal'],
    ['warranty.pdf', 'HOME WARRANTY', 'warranty'],
    ['New_survey of Lot 5.pdf', 'BOUNDARY', 'New survey of Lot 5'],
    ['Page 2 of deed.pdf', 'Deed', 'Page 2 of deed'],
    ['Imagine Lane.pdf', 'Deed', 'Imagine Lane'],
]);

it('calms a heading in capitals, and leaves what is written as people write', function (string $heading, string $calm) {
    expect(PaperTitle::calm($heading))->toBe($calm);
})->with([
    ['WELL WATER AND PRIVATE ROAD ADDENDUM', 'Well water and private road addendum'],
    ['HOA ADDENDUM', 'HOA addendum'],
    ['FHA AND VA FINANCING RIDER', 'FHA and VA financing rider'],
    ['Millbrook Pump & Septic', 'Millbrook Pump & Septic'],
    ['W-9', 'W-9'],
    ['', ''],
]);
