<?php

declare(strict_types=1);

use Tests\Support\MadePdf;
use Unanimus\Forms\Library;
use Unanimus\Intake\ProposedPart;
use Unanimus\Intake\StackPage;
use Unanimus\Intake\StackProposal;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PageTurn;
use Unanimus\Pages\ScanLook;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\Word;

/**
 * A stack in short: "M-201 1/8", "Survey!" a page with a title, "text" one without, "" a blank one.
 *
 * @param list<string> $pages
 */
function cuts(array $pages): string
{
    $stack = [];
    foreach ($pages as $index => $short) {
        preg_match('~^(?:([A-Z]+-\d+)\s*)?(?:(\d+)(?:/(\d+))?)?\s*([^!]*)(!?)$~', $short, $m);
        $title = ($m[5] ?? '') === '!' ? trim($m[4]) : '';
        $stack[$index + 1] = new StackPage(
            $m[1] ?? '',
            ($m[2] ?? '') === '' ? null : (int) $m[2],
            ($m[3] ?? '') === '' ? null : (int) $m[3],
            $title,
            trim(($m[4] ?? '').' '.implode(' ', array_map(
                static fn (int $n) => strtr(md5("{$index} {$n}"), '0123456789', 'ghijklmnop'),
                range(0, 14),
            ))),
            $short === '',
            '51x66',
        );
    }

    return implode(' ', array_map(
        static fn (ProposedPart $part) => "{$part->first}-{$part->last}".($part->form === '' ? '' : " {$part->form}").
            ($part->order === [] ? '' : ' ('.implode(',', $part->order).')'),
        StackProposal::of($stack),
    ));
}

it('cuts a stack where its pages say that another paper begins', function (array $pages, string $cuts) {
    expect(cuts($pages))->toBe($cuts);
})->with([
    'by form' => [['M-201 1/2', 'M-201 2/2', 'M-102 1/2', 'M-102 2/2'], '1-2 M-201 3-4 M-102'],
    'by form, without numbers' => [['M-201', 'M-201', 'M-102'], '1-2 M-201 3-3 M-102'],
    'by numbers that begin again' => [['M-201 1/2', 'M-201 2/2', 'M-201 1/2', 'M-201 2/2'], '1-2 M-201 3-4 M-201'],
    'by numbers alone' => [['1/3', '2/3', '3/3', '1/2', '2/2'], '1-3 4-5'],
    'by how many there are' => [['1/3', '2/3', '2/5', '3/5'], '1-2 3-4'],
    'by a title' => [['Survey!', 'text', 'Appraisal!', 'text'], '1-2 3-4'],
    'a paper without numbers after one that is whole' => [['1/2', '2/2', 'text', 'text'], '1-2 3-4'],
    'a blank back in the middle' => [['M-201 1/2', '', 'M-201 2/2', '', 'M-102 1/1'], '1-4 M-201 5-5 M-102'],
    'blank ones in front and behind' => [['', 'M-201 1/1', ''], '1-3 M-201'],
    'nothing but blank ones' => [['', ''], '1-2'],
    'out of order' => [['M-201 1/4', 'M-201 3/4', 'M-201 2/4', 'M-201 4/4'], '1-4 M-201 (1,3,2,4)'],
    'the last first' => [['M-201 3/3', 'M-201 2/3', 'M-201 1/3'], '1-3 M-201 (3,2,1)'],
    'misread in the middle' => [['M-201 1/3', 'M-301 2/3', 'M-201 3/3'], '1-3 M-201'],
    'misread without a number' => [['M-201 1/3', 'M-301', 'M-201 3/3'], '1-3 M-201'],
    'a page number read twice' => [['M-201 1/4', 'M-201 2/4', 'M-201 2/4', 'M-201 4/4'], '1-4 M-201'],
    'one page' => [['M-201 1/1'], '1-1 M-201'],
    'page numbers without a count' => [['1', '2', '3', '1', '2'], '1-3 4-5'],
]);

it('loses no page and gives none twice, whatever a stack says', function () {
    mt_srand(11);
    $kinds = ['M-201 1/3', 'M-201 2/3', 'M-201 3/3', 'M-102 1/2', '', 'text', 'Survey!', '1/2', '2/2', '3', 'M-231'];
    for ($run = 0; $run < 300; $run++) {
        $pages = array_map(static fn () => $kinds[mt_rand(0, count($kinds) - 1)], range(1, mt_rand(1, 30)));
        preg_match_all('/(\d+)-(\d+)(?: |$)/', (string) preg_replace('/ [A-Z]+-\d+| \([\d,]+\)/', '', cuts($pages)), $m, PREG_SET_ORDER);
        $next = 1;
        foreach ($m as [, $first, $last]) {
            expect((int) $first)->toBe($next)->and((int) $last)->toBeGreaterThanOrEqual((int) $first);
            $next = (int) $last + 1;
        }
        expect($next)->toBe(count($pages) + 1);
    }
});

it('reads form, number and title off a page', function (string $head, string $foot, array $expected) {
    $words = [];
    foreach ([[60, 16.0, $head], [200, 10.0, str_repeat('text of the page ', 30)], [760, 8.0, $foot]] as [$y, $height, $said]) {
        foreach (array_values(array_filter(explode(' ', $said))) as $n => $one) {
            $words[] = new Word($one, 50.0 + 30 * ($n % 15), $y + 12 * intdiv($n, 15), 28.0, $height);
        }
    }
    $page = StackPage::of($words, false, [612.0, 792.0], ['M-201', 'M-214']);
    expect([$page->form, $page->page, $page->count, $page->heading])->toBe($expected);
})->with([
    ['Purchase agreement', 'M-201 · rev. 2026-05 · page 3 of 8', ['M-201', 3, 8, 'Purchase agreement']],
    ['Purchase agreement', 'M-20T - rev. 2026-05 page 3 ot 8', ['M-201', 3, 8, 'Purchase agreement']],
    ['', 'M2214 « rev. 2026 page 1 of 2', ['M-214', 1, 2, '']],
    ['Deed', 'Form XY-77 rev. 3', ['XY-77', null, null, 'Deed']],
    ['Deed', '4 / 9', ['', 4, 9, 'Deed']],
    ['Deed', 'Page 4', ['', 4, null, 'Deed']],
    ['Deed', '– 12 –', ['', 12, null, 'Deed']],
    ['Deed', 'M-2 no legal advice of 8', ['', null, 8, 'Deed']],
    ['Deed', 'page 9 of 4', ['', null, null, 'Deed']],
    ['Page 2 of 5', '', ['', 2, 5, 'Page 2 of 5']],
    // What is attached is named on the page, whose own number may not have been read.
    ['', 'Attached: (J M-214 (]M-201 MLU3 lev. 2026 page 2 cf', ['', null, null, '']],
    ['', 'Attachments M-214 M-201 M-201 rev. 2026', ['M-201', null, null, '']],
    ['L]buyer', 'page 3 of 4', ['', 3, 4, '']],
]);

it('takes a row of many forms for a list, not for what a page is of', function () {
    $of = static fn (string $text): string => StackPage::ofText($text, ['M-201', 'M-214', 'M-290'])->form;
    expect($of('Also part of this: M-290, M-201, M-214'))->toBe('')
        ->and($of('Also part of this: M-290, M-214. M-201 · rev. 2026-05'))->toBe('M-201')
        ->and($of('As said in M-290. M-201'))->toBe('M-201');
});

it('tells which way up a page of words is', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $scratch = new Scratch();
    foreach ([0, 90, 180, 270] as $turned) {
        (new NativeTool(20))->run(
            ['qpdf', $library->form('M-102')->pdf, '--pages', '.', '1', '--', "--rotate=+{$turned}:1", $scratch->path("{$turned}.pdf")],
        );
        $words = Unanimus\Pages\PageWords::of($scratch->path("{$turned}.pdf"))[1];
        expect(PageTurn::ofWords($words))->toBe((360 - $turned) % 360, "turned by {$turned}");
    }
    expect(PageTurn::ofWords([]))->toBe(0)->and(PageTurn::ofWords([new Word('a', 1, 1, 1, 1), new Word('b', 0, 1, 1, 1)]))->toBe(0);
});

it('reads a stack of our forms: cuts, copies, turns and blank pages', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $scratch = new Scratch();
    $blank = $scratch->put('blank.pdf', MadePdf::page(''));
    (new NativeTool(30))->run([
        'qpdf', '--empty', '--pages', $library->form('M-102')->pdf, $blank, $library->form('M-214')->pdf, $library->form('M-102')->pdf,
        '--', '--rotate=+180:4', '--rotate=+90:6', $scratch->path('stack.pdf'),
    ]);
    $read = (new StackReader($library))->read($scratch->path('stack.pdf'));
    expect(array_map(static fn (ProposedPart $part) => $part->toArray(), $read['parts']))->toEqual([
        ['first' => 1, 'last' => 3, 'form' => 'M-102', 'heading' => 'Agency disclosure', 'sure' => 0.98],
        ['first' => 4, 'last' => 5, 'form' => 'M-214', 'heading' => 'Financing addendum', 'sure' => 0.98],
        ['first' => 6, 'last' => 7, 'form' => 'M-102', 'heading' => 'Agency disclosure', 'sure' => 0.98, 'copyOf' => 1],
    ])->and($read['turns'])->toBe([4 => 180, 6 => 270])->and($read['blanks'])->toBe([3]);
});

it('reads a scanned page that lies on its head, and knows one with nothing but what shines through', function () {
    $library = new Library(dirname(__DIR__, 2).'/library');
    $scratch = new Scratch();
    (new NativeTool(30))->run(
        ['pdftoppm', '-r', '150', '-gray', '-png', '-f', '1', '-l', '1', $library->form('M-102')->pdf, $scratch->path('p')],
    );
    $printed = imagecreatefrompng((glob($scratch->path('p').'*.png') ?: [''])[0]);
    imagepalettetotruecolor($printed);
    [$width, $height] = [imagesx($printed), imagesy($printed)];
    $pages = [imagerotate($printed, 181.3, imagecolorallocate($printed, 252, 252, 252))];
    // The back of it: what is printed in front shines through, and the scanner's edge is dark.
    $back = imagecreatetruecolor($width, $height);
    imagefill($back, 0, 0, (int) imagecolorallocate($back, 250, 250, 250));
    imageflip($printed, IMG_FLIP_HORIZONTAL);
    imagecopymerge($back, $printed, 0, 0, 0, 0, $width, $height, 12);
    imagefilledrectangle($back, 0, 0, 8, $height, (int) imagecolorallocate($back, 40, 40, 40));
    mt_srand(5);
    for ($n = 0; $n < 6000; $n++) {
        imagesetpixel($back, mt_rand(0, $width - 1), mt_rand(0, $height - 1), (int) imagecolorallocate($back, 90, 90, 90));
    }
    $pages[] = $back;
    foreach ($pages as $index => $page) {
        imagejpeg($page, $scratch->path("s{$index}.jpg"), 80);
    }
    (new NativeTool(30))->run(
        ['img2pdf', '--imgsize', '150dpi', '-o', $scratch->path('scan.pdf'), $scratch->path('s0.jpg'), $scratch->path('s1.jpg')],
    );
    $read = (new StackReader($library))->read($scratch->path('scan.pdf'));
    expect($read['turns'])->toBe([1 => 180])
        ->and($read['blanks'])->toBe([2])
        ->and($read['parts'][0]->toArray())->toMatchArray(['first' => 1, 'last' => 2, 'form' => 'M-102', 'heading' => 'Agency disclosure'])
        ->and(ScanLook::isBlank($scratch->path('scan.pdf'), 1))->toBeFalse();
});

/** A page with a running head, a title perhaps, and text of few different words in an order of its own. */
function headed(string $head, string $title, int $seed): StackPage
{
    mt_srand($seed);
    $few = explode(' ', 'deed roof plat rent lien term water sewer attic garage lender policy county parcel survey escrow');
    $words = array_map(static fn () => $few[mt_rand(0, 15)], range(1, 90));

    return new StackPage('', null, null, $title, trim("{$head} {$title} ".implode(' ', $words).'.'), false, '51x66');
}

it('keeps pages under one running head together, chapters too, and cuts where it ends', function (string $misread) {
    $head = 'Home inspection of 77 Millrace Court';
    $stack = [
        1 => headed($head, 'HOME INSPECTION', 1), headed($misread, 'Garage', 2), headed($head, '', 3), headed($head, 'Plumbing', 4),
        headed('Anchorfield Title, November 20', '', 5),
    ];
    expect(array_map(static fn (ProposedPart $part) => [$part->first, $part->last, $part->copyOf], StackProposal::of($stack)))
        ->toBe([[1, 4, null], [5, 5, null]]);
})->with(['Home inspection of 77 Millrace Court', 'Hcme inspectlon of 77 Millraee Court']);

it('takes for a copy what says the same in the same order, not what has the same words', function () {
    $stack = [1 => headed('', 'LEASE', 1), headed('', 'APPRAISAL', 2), headed('', 'LEASE', 1)];
    expect(array_map(static fn (ProposedPart $part) => $part->copyOf, StackProposal::of($stack)))->toBe([null, null, 1]);
});

it('reads the number of a page in its running head, and none where a sentence speaks of a page', function (string $text, ?int $page) {
    expect(StackPage::ofText("{$text} ".str_repeat('Words of the text go on. ', 20), [])->page)->toBe($page);
})->with([
    ['Home inspection report · 77 Millrace Court p. 2', 2],
    ['BYLAWS Page 3', 3],
    ['The seller repairs what stands on page 4', null],
    ['As shown, see p. 7, the roof is new', null],
    ['Pages 2 and 3 are missing', null],
]);

/**
 * A page as it is read: rows of words, five points a letter and eleven high, all a little askew on a scan.
 *
 * @param list<string> $rows
 */
function typedPage(array $rows, float $left = 72.0, float $high = 11.0, float $slope = 0.0): StackPage
{
    $words = [];
    foreach ($rows as $at => $row) {
        $x = $left;
        foreach (explode(' ', $row) as $one) {
            $words[] = new Word($one, $x, 72.0 + 18.0 * $at + $slope * ($x - $left), 5.0 * mb_strlen($one), $high);
            $x += 5.0 * (mb_strlen($one) + 1);
        }
    }

    return StackPage::of($words, false, [612.0, 792.0], []);
}

/** @return list<string> rows of a text, another for each number */
function runningText(int $number): array
{
    mt_srand($number);
    $few = explode(' ', 'deed roof plat rent lien term water sewer attic garage lender policy county parcel title escrow gutter');
    $row = static fn (int $words): string => implode(' ', array_map(static fn () => $few[mt_rand(0, 16)], range(1, $words)));

    return ['The parties agree that '.$row(12), $row(14), $row(13).' is so.'];
}

it('begins another paper at a letter, a printed email, and what calls itself something, straight or askew', function (float $slope) {
    $stack = [
        1 => typedPage(['Larkspur Roofing INVOICE 2217', 'Flashing 620', ...runningText(1)], slope: $slope),
        typedPage(
            ['Anchorfield Title and Escrow', '12 Quay Street, Tidewick', 'Dear Mr. Reyes-Whitlock,', ...runningText(2)],
            slope: $slope,
        ),
        typedPage(['we write again about the same matter and hope to hear from you soon after that.', ...runningText(3)], slope: $slope),
        typedPage(
            ['From: Adaeze Brightwater', 'Sent: Monday 9:14 AM', 'To: Tomás', 'Subject: Title commitment', ...runningText(4)],
            slope: $slope,
        ),
        typedPage(['Agreement About What Stays', ...runningText(5), ...runningText(6)], slope: $slope),
        typedPage([...runningText(7), ...runningText(8)], slope: $slope),
        typedPage(
            ['Merrow Savings Bank', 'November 20, 2026', 'Re: Conditional approval', ...runningText(9), 'Sincerely,', 'Odile'],
            slope: $slope,
        ),
        typedPage(['Upstairs two rooms and a bath', ...runningText(10)], slope: $slope),
    ];
    expect(array_map(static fn (ProposedPart $part) => [$part->first, $part->last, $part->heading], StackProposal::of($stack)))->toBe([
        [1, 1, 'Larkspur Roofing INVOICE 2217'],
        [2, 3, 'Anchorfield Title and Escrow'],
        [4, 4, 'Title commitment'],
        [5, 6, 'Agreement About What Stays'],
        [7, 7, 'Merrow Savings Bank'],
        [8, 8, 'Upstairs two rooms and a bath'],
    ]);
})->with([0.0, 0.02, -0.025]);

it('cuts where the text is set otherwise, and not for its size or its margin alone', function (float $left, float $high, int $parts) {
    $stack = [1 => typedPage(runningText(40)), typedPage(['Upstairs two rooms', ...runningText(11)], $left, $high)];
    expect(StackProposal::of($stack))->toHaveCount($parts);
})->with([[72.0, 11.0, 1], [40.0, 11.0, 1], [72.0, 13.0, 1], [40.0, 13.0, 2], [90.0, 9.5, 2]]);

it('takes no paper for a copy that is called otherwise, and one for it whose title was misread', function (string $title, ?int $copyOf) {
    $text = [...runningText(12), 'The well was drilled by a firm of Pellingford and its water is clear in all seasons of the year.'];
    $text[] = 'Buyer Date Seller Date';
    $stack = [1 => typedPage(['WELL WATER ADDENDUM', ...$text]), typedPage([$title, ...$text])];
    expect(StackProposal::of($stack)[1]->copyOf)->toBe($copyOf);
})->with([['WELL WATER ADDENDUM', 1], ['WELL WATEP ADDENDUN', 1], ['SEPTIC SYSTEM ADDENDUM', null]]);

it('takes no salutation, no sentence and no running number for a title', function (string $first) {
    expect(typedPage([$first, ...runningText(13)])->heading)->toBe('');
})->with(['Dear Sunniva,', 'the agreement of the parties.', '7. Disclosures of the seller.', 'of this agreement (continued)',
    'ARTICLE IV - REPAIRS', '12. REPAIRS AND CREDITS', 'Section 3 Disclosure']);
