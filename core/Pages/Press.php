<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Makes PDFs: draws over pages, puts papers together, makes pages of drawings alone.
 */
final class Press
{
    /** How finely a page becomes a picture, in points an inch. */
    private const PICTURE = 200;

    /** @param  string  $fonts folder of the shipped faces, beside the system's */
    public function __construct(private readonly string $fonts, private readonly string $cache)
    {
    }

    /**
     * A PDF's pages with drawings over them.
     *
     * @param array<int, Drawing> $drawings by page, from 1
     * @return string the PDF's bytes
     *
     * @throws ToolFailed when the pages cannot be drawn
     */
    public function drawOver(string $pdf, array $drawings): string
    {
        $drawings = array_filter($drawings, static fn (Drawing $drawing) => ! $drawing->isEmpty());
        if ($drawings === []) {
            return (string) file_get_contents($pdf);
        }
        ksort($drawings);
        $scratch = new Scratch();
        $overlay = $this->render($scratch, array_values($drawings));
        (new NativeTool())->run([
            'qpdf',
            '--warning-exit-0',
            '--deterministic-id',
            $pdf,
            '--decrypt',
            '--flatten-annotations=all',
            '--overlay',
            $overlay,
            '--to='.implode(',', array_keys($drawings)),
            '--',
            '--object-streams=generate',
            $scratch->path('out.pdf'),
        ]);

        return $scratch->get('out.pdf');
    }

    /**
     * The pages of a PDF from outside with drawings over them, turned and cropped as they are read.
     *
     * @param array<int, Drawing> $drawings by page, from 1
     * @return string the PDF's bytes
     *
     * @throws ToolFailed when the pages cannot be drawn
     * @throws PdfRefused when it is damaged
     */
    public function writeOver(string $pdf, array $drawings): string
    {
        $edit = PdfEdit::of($pdf, false);
        $boxed = [];
        $edit->look->withoutInnerBoxes(function (string $name, \stdClass $page) use ($edit, &$boxed): void {
            $edit->put($name, $page);
            $boxed[] = $name;
        });
        if ($boxed === []) {
            return $this->drawOver($pdf, $drawings);
        }
        $scratch = new Scratch();
        $scratch->put(
            'plain.pdf',
            $edit->write([], static function (PdfLook $written): ?string {
                $left = false;
                $written->withoutInnerBoxes(static function () use (&$left): void {
                    $left = true;
                });

                return $left ? 'what is shown of a page' : null;
            }),
        );

        return $this->drawOver($scratch->path('plain.pdf'), $drawings);
    }

    /**
     * A PDF some pages of which have become pictures: what is covered on them is no longer in the file.
     *
     * @param string $pdf bytes
     * @param non-empty-list<int> $pages from 1
     * @return string the bytes
     *
     * @throws ToolFailed when a page cannot be drawn
     */
    public function asPictures(string $pdf, array $pages): string
    {
        $scratch = new Scratch();
        $path = $scratch->put('whole.pdf', $pdf);
        $sizes = PdfLook::into($path, gate: false)->pages();
        $sources = [];
        foreach ($sizes as $index => [$width, $height]) {
            $page = $index + 1;
            if (! in_array($page, $pages, true)) {
                array_push($sources, $path, (string) $page);

                continue;
            }
            (new NativeTool())->run([
                'pdftocairo',
                '-png',
                '-r',
                (string) self::PICTURE,
                '-singlefile',
                '-cropbox',
                '-f',
                (string) $page,
                '-l',
                (string) $page,
                $path,
                $scratch->path("page-{$page}"),
            ]);
            (new NativeTool())->run([
                'img2pdf',
                '--pagesize',
                "{$width}ptx{$height}pt",
                '--fit',
                'fill',
                '-o',
                $scratch->path("page-{$page}.pdf"),
                $scratch->path("page-{$page}.png"),
            ]);
            array_push($sources, $scratch->path("page-{$page}.pdf"), '1');
        }
        (new NativeTool())->run([
            'qpdf',
            '--warning-exit-0',
            '--deterministic-id',
            '--empty',
            '--pages',
            ...$sources,
            '--',
            '--object-streams=generate',
            $scratch->path('out.pdf'),
        ]);

        return $scratch->get('out.pdf');
    }

    /**
     * A PDF of pages that are drawings alone.
     *
     * @param non-empty-list<Drawing> $drawings
     * @return string the PDF's bytes
     */
    public function print(array $drawings): string
    {
        $scratch = new Scratch();

        return (string) file_get_contents($this->render($scratch, $drawings));
    }

    /**
     * Papers one after the other in one PDF, with a bookmark for each and for its sections.
     *
     * @param non-empty-list<SetPart> $papers
     * @param callable(int, int): (Drawing|string|null)|null $stamp gets page and count, gives what is drawn over it; a text of plain
     *                                                              letters stands at its lower right
     * @param string $title shown by readers in place of a file name
     * @return string the PDF's bytes
     *
     * @throws ToolFailed when a paper cannot be read
     */
    public function assemble(array $papers, ?callable $stamp = null, string $title = ''): string
    {
        $scratch = new Scratch();
        $starts = [];
        $count = 0;
        foreach ($papers as $paper) {
            $starts[] = new Bookmark($paper->title, $count + 1, $paper->sectionsAfter($count));
            $count += $paper->pages ?? (int) (new NativeTool())->run(['qpdf', '--warning-exit-0', '--show-npages', $paper->pdf]);
        }
        $sources = array_merge(...array_map(static fn (SetPart $paper) => [$paper->pdf, $paper->range()], $papers));
        $command = ['qpdf', '--warning-exit-0', '--deterministic-id', '--empty', '--pages', ...$sources, '--', '--flatten-annotations=all'];
        $stamps = $lines = [];
        for ($page = 1; $stamp !== null && $page <= $count; $page++) {
            $drawn = $stamp($page, $count);
            if ($drawn instanceof Drawing) {
                $drawn->isEmpty() || ($stamps[$page] = $drawn);
            } elseif ($drawn !== null && $drawn !== '') {
                $lines[$page] = $drawn;
            }
        }
        if ($stamps !== []) {
            array_push(
                $command,
                '--overlay',
                $this->render($scratch, array_values($stamps)),
                '--to='.implode(',', array_keys($stamps)),
                '--',
            );
        }
        if ($lines !== []) {
            array_push(
                $command,
                '--overlay',
                $scratch->put('numbers.pdf', PageNumbers::pdf(array_values($lines))),
                '--to='.implode(',', array_keys($lines)),
                '--',
            );
        }
        (new NativeTool())->run([...$command, '--object-streams=disable', $scratch->path('out.pdf')]);

        return Outline::behind($scratch->get('out.pdf'), $starts, $title);
    }

    /**
     * A PDF with another's pages after its own.
     *
     * @param string $pdf bytes
     * @param string $more bytes
     * @return string the bytes of both
     */
    public function append(string $pdf, string $more): string
    {
        $scratch = new Scratch();
        (new NativeTool())->run([
            'qpdf',
            '--warning-exit-0',
            '--deterministic-id',
            '--empty',
            '--pages',
            $scratch->put('pdf.pdf', $pdf),
            '1-z',
            $scratch->put('more.pdf', $more),
            '1-z',
            '--',
            '--object-streams=generate',
            $scratch->path('both.pdf'),
        ]);

        return $scratch->get('both.pdf');
    }

    /**
     * Some pages of a PDF as one of its own.
     *
     * @param int $first from 1
     * @return string the PDF's bytes
     *
     * @throws ToolFailed when it has no such pages
     */
    public function part(string $pdf, int $first, int $last): string
    {
        $scratch = new Scratch();
        (new NativeTool())->run([
            'qpdf',
            '--warning-exit-0',
            '--deterministic-id',
            '--empty',
            '--pages',
            $pdf,
            "{$first}-{$last}",
            '--',
            '--object-streams=generate',
            $scratch->path('part.pdf'),
        ]);

        return $scratch->get('part.pdf');
    }

    /**
     * Drawings as a PDF to lay over pages, each page of the size its drawing says.
     *
     * @param non-empty-list<Drawing> $drawings
     * @return string its path in the folder
     */
    public function overlay(Scratch $scratch, array $drawings): string
    {
        return $this->render($scratch, $drawings);
    }

    /** @param  non-empty-list<Drawing>  $drawings */
    private function render(Scratch $scratch, array $drawings): string
    {
        $pages = [];
        foreach ($drawings as $index => $drawing) {
            $pages[] = $scratch->put("page-{$index}.svg", $drawing->svg());
        }
        $overlay = $scratch->path('overlay.pdf');
        (new NativeTool(environment: ['FONTCONFIG_FILE' => $this->fontconfig()]))->run([
            'rsvg-convert',
            '-f',
            'pdf',
            '-o',
            $overlay,
            ...$pages,
        ]);

        return $overlay;
    }

    private function fontconfig(): string
    {
        $file = $this->cache.'/fonts.conf';
        if (! is_file($file)) {
            $fonts = htmlspecialchars($this->fonts, ENT_XML1);
            $cache = htmlspecialchars($this->cache, ENT_XML1);
            $partial = $file.'.'.bin2hex(random_bytes(4));
            file_put_contents(
                $partial,
                <<<XML
                <?xml version="1.0"?>
                <!DOCTYPE fontconfig SYSTEM "fonts.dtd">
                <fontconfig>
                    <dir>{$fonts}</dir>
                    <dir>/usr/share/fonts/truetype/noto</dir>
                    <dir>/usr/share/fonts/opentype/noto</dir>
                    <cachedir>{$cache}/fontconfig</cachedir>
                </fontconfig>
                XML
                ,
            );
            rename($partial, $file);
        }

        return $file;
    }
}
