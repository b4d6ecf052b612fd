<?php

declare(strict_types=1);

use Unanimus\Forms\FilledPages;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Form;
use Unanimus\Forms\Library;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\Word;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\EntryFormat;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\MarkTerms;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\Stencil;
use Unanimus\Signing\StencilMark;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Facts;

/** @return array<int, list<Word>> the words of a form, filled in with that much */
function wordsOfForm(Form $form, array $facts = []): array
{
    $scratch = new Scratch();

    return PageWords::of($scratch->put('form.pdf', FilledPages::pdf($form, Filling::of($form, [], Facts::from($facts)), press())));
}

function stencilOf(Form $form, array $facts = []): Stencil
{
    $marks = array_map(
        static fn (MarkPlace $one, int $at) => new StencilMark("M{$at}", $one->page, $one->seat, $one->kind, $one->place, new MarkTerms()),
        $form->marks,
        array_keys($form->marks),
    );

    return Stencil::of(wordsOfForm($form, $facts), $form->pages, $marks);
}

/** How far the worst of the places is from where it belongs. @param  callable(MarkPlace): Rect  $where */
function farthest(Stencil $stencil, Form $form, array $words, array $sizes, callable $where, int $pages = 0): float
{
    $fit = $stencil->over($words, $sizes);
    expect($fit?->marks)->toHaveCount(count($form->marks));
    $far = 0.0;
    foreach ($fit->marks ?? [] as $mark) {
        $meant = $form->marks[(int) substr($mark->key, 1)];
        expect($mark->page)->toBe($meant->page + $pages);
        $place = $where($meant);
        $far = max($far, abs($mark->place->x - $place->x), abs($mark->place->y + $mark->place->height - $place->y - $place->height));
    }

    return $far;
}

beforeEach(function () {
    $this->forms = new Library(dirname(__DIR__, 2).'/library');
    $this->some = [
        'price' => '412500.00',
        'closing' => '2026-12-18',
        'buyers.names' => 'Sunniva Eide and José Nguyễn-Ortiz',
        'property.address' => '14 Lanternfish Lane, Tidewick, MW 20417',
    ];
});

it('knows a paper again that is filled in otherwise, and puts each place where it was', function (string $number) {
    $form = $this->forms->form($number);
    $words = wordsOfForm($form, ['price' => '287000.00', 'buyers.names' => 'Leonie Abara', 'earnest_money' => '6000.00']);
    expect(farthest(stencilOf($form, $this->some), $form, $words, $form->pages, fn (MarkPlace $mark) => $mark->place))->toBeLessThan(1.5);
})->with(['M-201', 'M-102', 'M-215', 'M-230', 'M-101']);

it('finds its places on a print of another size with other margins, and behind pages put in front', function () {
    $form = $this->forms->form('M-201');
    $stencil = stencilOf($form, $this->some);
    $laid = static fn (Rect $at) => new Rect($at->x * 0.93 + 21, $at->y * 0.93 + 14, $at->width * 0.93, $at->height * 0.93);
    $words = [1 => array_map(static fn (int $n) => new Word("cover{$n}", 72, 40 * $n, 30, 30), range(1, 14))];
    foreach (wordsOfForm($form) as $page => $there) {
        $words[$page + 1] = array_map(static function (Word $word) use ($laid): Word {
            $at = $laid(new Rect($word->x, $word->y, max(0.1, $word->width), $word->height));

            return new Word($word->text, $at->x, $at->y, $at->width, $at->height);
        }, $there);
    }
    $sizes = [[612.0, 792.0], ...$form->pages];
    expect(farthest($stencil, $form, $words, $sizes, fn (MarkPlace $mark) => $laid($mark->place), 1))->toBeLessThan(1.5);
});

it('follows words that were pushed down by what stands above them', function () {
    $form = $this->forms->form('M-102');
    $last = max(array_map(static fn (MarkPlace $mark) => $mark->page, $form->marks));
    $there = array_filter($form->marks, static fn (MarkPlace $mark) => $mark->page === $last);
    $first = min(array_map(static fn (MarkPlace $mark) => $mark->place->y, $there));
    $push = static fn (float $y, int $page) => $page === $last && $y > $first - 60 ? 25.0 : 0.0;
    $words = [];
    foreach (wordsOfForm($form) as $page => $there) {
        $words[$page] = array_map(
            static fn (Word $word) => new Word($word->text, $word->x, $word->y + $push($word->y, $page), $word->width, $word->height),
            $there,
        );
    }
    $where = static fn (MarkPlace $mark) => $mark->place->moved(0, $push($mark->place->y, $mark->page));
    $far = farthest(stencilOf($form), $form, $words, $form->pages, $where);
    // A signature is some twenty points high.
    expect($far)->toBeLessThan(4.0);
});

it('does not take another paper for its own', function () {
    $stencils = array_map(fn (string $number) => stencilOf($this->forms->form($number)), ['M-201', 'M-102', 'M-215', 'M-101']);
    foreach ($this->forms->all() as $form) {
        // The agency disclosures of a sale and a lease are one text.
        if (in_array($form->number, ['M-201', 'M-102', 'M-105', 'M-106', 'M-215', 'M-101'], true)) {
            continue;
        }
        $words = wordsOfForm($form);
        foreach ($stencils as $stencil) {
            expect($stencil->over($words, $form->pages))->toBeNull();
        }
    }
});

it('keeps what is asked for, for whoever it is made, and reads itself back', function () {
    $form = $this->forms->form('M-102');
    $terms = new MarkTerms(false, 'Lender', EntryFormat::Line, 'one', '', 'Brackwater');
    $place = new Rect(72, 300, 120, 14);
    $stencil = Stencil::of(wordsOfForm($form), $form->pages, [
        new StencilMark('A', 1, Seat::of('buyer.1'), MarkKind::Text, $place, $terms),
        new StencilMark('B', 1, Seat::of('agent.1'), MarkKind::Signature, $place, new MarkTerms()),
    ]);
    $back = Stencil::fromArray(json_decode((string) json_encode($stencil->toArray()), true));
    expect($back->toArray())->toEqual($stencil->toArray())->and(array_map(strval(...), $back->seats()))->toBe(['buyer.1', 'agent.1']);
    $sellers = $back->forRole(PartyRole::Buyer, PartyRole::Seller);
    expect(array_map(strval(...), $sellers->seats()))
        ->toBe(['seller.1', 'agent.1'])
        ->and($sellers->marks[0]->terms)
        ->toEqual($terms)
        ->and($sellers->pageCount())
        ->toBe(count($form->pages));
});

it('keeps no stencil of a paper that nothing is marked on, or that has too little on it', function () {
    $mark = new StencilMark('A', 1, Seat::of('buyer.1'), MarkKind::Signature, new Rect(72, 300, 120, 14), new MarkTerms());
    $few = [1 => [new Word('Sign', 72, 290, 20, 12), new Word('here', 100, 290, 20, 12)]];
    foreach ([[[], SigningRefusal::NothingMarked], [[$mark], SigningRefusal::TooLittleText]] as [$marks, $reason]) {
        expect(fn () => Stencil::of($few, [[612.0, 792.0]], $marks))->toThrow(fn (StepRefused $no) => expect($no->reason)->toBe($reason));
    }
});
