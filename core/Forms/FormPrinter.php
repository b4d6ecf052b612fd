<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfEdit;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

/**
 * Prints a form's text to pages and reads the places of its blanks and marks from them. Needs Chromium; runs when the
 * library is built, never when the application runs.
 */
final class FormPrinter
{
    /** The seats that initial each page when a role does, with the places at the foot from the left. */
    private const INITIALS = [
        'buyer' => ['buyer.1', 'buyer.2'],
        'seller' => ['seller.1', 'seller.2'],
        'tenant' => ['tenant.1', 'tenant.2'],
        'landlord' => ['landlord.1'],
    ];

    /**
     * Prints and writes "pages.pdf" and "form.json" beside the text. Those of another revision go into a folder of their
     * own first: papers stand on them.
     *
     * @return array{pages: int, blanks: int, marks: int}
     *
     * @throws \UnexpectedValueException when the text is not in order
     */
    public static function build(string $folder): array
    {
        $text = FormText::read((string) file_get_contents("{$folder}/text.html"));
        $scratch = new Scratch();
        $html = $scratch->put('form.html', $text->html());
        (new NativeTool(60, '0'))->run([
            'chromium',
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-dev-shm-usage',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-quic',
            '--user-data-dir='.$scratch->path('profile'),
            '--no-pdf-header-footer',
            '--generate-pdf-document-outline',
            '--print-to-pdf='.$scratch->path('printed.pdf'),
            'file://'.$html,
        ]);
        $look = PdfLook::into($scratch->path('printed.pdf'));
        $pages = $look->pages();
        $links = $look->links(FormText::MARKER);
        self::check($text, $links, $pages);
        [$blanks, $marks] = self::places($text, $links);
        $marks = [...$marks, ...self::initials($text, count($pages))];
        self::putAway($folder, $text->head['revision']);
        self::write($folder, $text, $pages, $blanks, $marks, self::sections($scratch->path('printed.pdf')));
        $scratch->put('stripped.pdf', self::strip($scratch->path('printed.pdf'), "{$text->head['number']} {$text->head['title']}"));
        mkdir($scratch->path('cache'));
        file_put_contents(
            "{$folder}/pages.pdf",
            (new Press($scratch->path('cache'), $scratch->path('cache')))->drawOver(
                $scratch->path('stripped.pdf'),
                self::boxes($marks, $pages),
            ),
        );

        return ['pages' => count($pages), 'blanks' => count($blanks), 'marks' => count($marks)];
    }

    /**
     * No blank or mark crosses or touches the end of a page, and each stands there as large as the text asks.
     *
     * @param list<array{page: int, uri: string, place: Rect}> $links
     * @param list<array{float, float}> $pages
     *
     * @throws \UnexpectedValueException naming those that do
     */
    private static function check(FormText $text, array $links, array $pages): void
    {
        $wrong = [];
        foreach (array_count_values(array_column($links, 'uri')) as $uri => $times) {
            $times === 1 || ($wrong[] = "{$uri} stands in {$times} parts");
        }
        foreach ($links as $link) {
            $asked = (float) ($text->blanks[explode('/', $link['uri'], 2)[1] ?? '']['h'] ?? 0);
            if (
                $link['place']->y + $link['place']->height > $pages[$link['page'] - 1][1] - FormText::FOOT + 1 ||
                $link['place']->y < FormText::TOP - 1 ||
                $link['place']->height < $asked - 2
            ) {
                $wrong[] = "{$link['uri']} is cut by the end of page {$link['page']}";
            }
        }
        if ($wrong !== []) {
            throw new \UnexpectedValueException("{$text->head['number']}: ".implode('; ', $wrong));
        }
    }

    /** @return list<array{title: string, page: int}> the headings under the title, with the page each is on */
    private static function sections(string $printed): array
    {
        $outlines =
            json_decode(
                (new NativeTool())->run(['qpdf', '--warning-exit-0', '--json=2', '--json-key=outlines', $printed]),
                true,
                512,
                JSON_THROW_ON_ERROR,
            )['outlines'] ?? [];

        return array_values(
            array_map(
                static fn (array $one) => ['title' => trim((string) $one['title']), 'page' => (int) $one['destpageposfrom1']],
                $outlines[0]['kids'] ?? [],
            ),
        );
    }

    /**
     * @param list<array{page: int, uri: string, place: Rect}> $links
     * @return array{list<Blank>, list<MarkPlace>}
     */
    private static function places(FormText $text, array $links): array
    {
        $blanks = [];
        $marks = [];
        foreach ($links as $link) {
            [$what, $name] = explode('/', $link['uri'], 2);
            if ($what === 'mark') {
                $mark = $text->marks[(int) $name];
                $marks[(int) $name] = new MarkPlace(MarkKind::from($mark['kind']), Seat::of($mark['seat']), $link['page'], $link['place']);

                continue;
            }
            $data = $text->blanks[$name];
            $blanks[$name] = new Blank(
                $name,
                Kind::from($data['kind']),
                $data['label'],
                $link['page'],
                $link['place'],
                isset($data['req']),
                $data['bind'] ?? null,
                $data['calc'] ?? null,
                $data['group'] ?? null,
                $data['when'] ?? null,
                isset($data['options']) ? explode('|', $data['options']) : [],
            );
        }
        $lost = array_diff_key($text->blanks, $blanks);
        if ($lost !== [] || count($marks) !== count($text->marks)) {
            throw new \UnexpectedValueException(
                "{$text->head['number']}: places of these were not found in the print: ".implode(', ', array_keys($lost)),
            );
        }
        ksort($marks);

        return [array_values($blanks), array_values($marks)];
    }

    /**
     * @param list<MarkPlace> $marks
     * @param list<array{float, float}> $pages
     * @return array<int, Drawing> a box for each initials mark at the foot of its page
     */
    private static function boxes(array $marks, array $pages): array
    {
        $drawings = [];
        foreach ($marks as $mark) {
            if ($mark->kind === MarkKind::Initials) {
                $drawings[$mark->page] ??= new Drawing(...$pages[$mark->page - 1]);
                $drawings[$mark->page]
                    ->line(
                        $mark->place->x,
                        $mark->place->y + $mark->place->height,
                        $mark->place->x + $mark->place->width,
                        $mark->place->y + $mark->place->height,
                    )
                    ->text($mark->place->x, $mark->place->y + $mark->place->height + 6.5, 5.5, $mark->seat->label(), fill: '#555555');
            }
        }

        return $drawings;
    }

    /** @return list<MarkPlace> */
    private static function initials(FormText $text, int $pages): array
    {
        $marks = [];
        $roles = array_filter(array_map(trim(...), explode(',', $text->head['initials'] ?? '')));
        for ($page = 1; $page < $pages; $page++) {
            $x = 318.0;
            foreach ($roles as $role) {
                foreach (self::INITIALS[$role] as $seat) {
                    $marks[] = new MarkPlace(MarkKind::Initials, Seat::of($seat), $page, new Rect($x, 734, 34, 16));
                    $x += 40;
                }
            }
        }

        return $marks;
    }

    private static function putAway(string $folder, string $revision): void
    {
        $before = is_file("{$folder}/form.json")
            ? json_decode((string) file_get_contents("{$folder}/form.json"), true, 512, JSON_THROW_ON_ERROR)['revision']
            : $revision;
        $place = "{$folder}/{$before}";
        if ($before === $revision || is_dir($place)) {
            return;
        }
        mkdir($place);
        copy("{$folder}/form.json", "{$place}/form.json");
        copy("{$folder}/pages.pdf", "{$place}/pages.pdf");
    }

    /**
     * @param list<array{float, float}> $pages
     * @param list<Blank> $blanks
     * @param list<MarkPlace> $marks
     * @param list<array{title: string, page: int}> $sections
     */
    private static function write(string $folder, FormText $text, array $pages, array $blanks, array $marks, array $sections): void
    {
        $order = static fn (Blank|MarkPlace $a, Blank|MarkPlace $b) => [$a->page, round($a->place->y / 6), $a->place->x] <=> [
            $b->page,
            round($b->place->y / 6),
            $b->place->x,
        ];
        usort($blanks, $order);
        usort($marks, $order);
        $encode = static fn (array $items) => implode(
            ",\n        ",
            array_map(
                static fn (Blank|MarkPlace $item) => json_encode(
                    $item->toArray(),
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
                ),
                $items,
            ),
        );
        $head = array_intersect_key($text->head, array_flip(['number', 'revision', 'title', 'set', 'stage']));
        $retired = isset($text->head['retired']) ? ['retired' => true] : [];
        $lines = json_encode(
            [...$head, ...$retired, 'pages' => $pages, 'sections' => $sections],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
        file_put_contents(
            "{$folder}/form.json",
            substr($lines, 0, -1).
                ",\n    \"blanks\": [\n        {$encode($blanks)}\n    ],\n    \"marks\": [\n        {$encode($marks)}\n    ]\n}\n",
        );
    }

    /** The printed pages without the links that told where the blanks are. */
    private static function strip(string $printed, string $title): string
    {
        $edit = PdfEdit::of($printed);
        $look = $edit->look;
        foreach (array_keys($look->pages()) as $index) {
            $page = (array) $look->pageDictionary($index + 1);
            unset($page['/Annots']);
            $edit->put($look->pageObject($index + 1), (object) $page);
        }
        [$name, $root] = $look->catalog();
        $catalog = [...(array) $root, '/Lang' => 'u:en-US', '/ViewerPreferences' => (object) ['/DisplayDocTitle' => true]];
        unset($catalog['/Outlines']);
        $edit->put($name, (object) $catalog);
        $edit->titled($title, 'Unanimus');

        return $edit->write(
            [],
            static fn (PdfLook $written) => $written->links(FormText::MARKER) === [] ? null : 'the taking off of its links',
        );
    }
}
