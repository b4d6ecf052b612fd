<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A look inside a PDF: its pages as they are read, its link annotations, whether it carries signatures or needs a password.
 */
final class PdfLook
{
    /** The most pages that are taken. */
    public const MOST_PAGES = 1000;

    /** @param  array<string, \stdClass>  $objects by qpdf's name "obj:12 0 R" */
    private function __construct(private readonly array $objects)
    {
    }

    /**
     * Reads a PDF's structure.
     *
     * @throws PdfRefused when it is no PDF, damaged beyond reading, needs a password or has too many pages
     */
    public static function into(string $path, NativeTool $tool = new NativeTool(20)): self
    {
        if (! str_starts_with((string) file_get_contents($path, false, null, 0, 1024), '%PDF-') && ! str_contains((string) file_get_contents($path, false, null, 0, 1024), '%PDF-')) {
            throw PdfRefused::noPdf();
        }
        try {
            $json = $tool->run(['qpdf', '--json=2', '--json-key=qpdf', '--json-stream-data=none', '--warning-exit-0', $path]);
        } catch (ToolFailed $failed) {
            throw str_contains($failed->getMessage(), 'password') ? PdfRefused::password() : PdfRefused::damaged($failed);
        }
        // qpdf prints some numbers as they stand in the file ("60.", "+.5", "007.5"), which is no JSON.
        $json = (string) preg_replace_callback(
            '/^(\s*(?:"[^"\n]*": )?)([+-]?)0*(\d*)\.(\d*)(,?)$/m',
            static fn (array $m) => $m[1].($m[2] === '-' ? '-' : '').($m[3] === '' ? '0' : $m[3]).'.'.($m[4] === '' ? '0' : $m[4]).$m[5],
            $json,
        );
        $data = json_decode($json, false, 512);
        if (! is_object($data) || ! isset($data->qpdf[1])) {
            throw PdfRefused::damaged();
        }
        $look = new self((array) $data->qpdf[1]);
        $count = count($look->pages());
        if ($count < 1 || $count > self::MOST_PAGES) {
            throw PdfRefused::pages($count);
        }

        return $look;
    }

    /**
     * The pages in order, as they are read (turned as the file says).
     *
     * @return list<array{float, float}> width and height in points
     *
     * @throws PdfRefused when a page is smaller than an inch or larger than 200 inches
     */
    public function pages(): array
    {
        return array_map(function (array $page): array {
            [$left, $bottom, $right, $top] = $this->box($page['dict']);
            $size = [abs($right - $left), abs($top - $bottom)];
            if (min($size) < 72 || max($size) > 14_400) {
                throw PdfRefused::pageSize();
            }

            return $this->turn($page['dict']) % 180 === 0 ? $size : [$size[1], $size[0]];
        }, $this->leaves());
    }

    /**
     * The links that point to an address beginning so, with their places.
     *
     * @return list<array{page: int, uri: string, place: Rect}>
     */
    public function links(string $beginning): array
    {
        $links = [];
        foreach ($this->leaves() as $index => $page) {
            [$left, , , $top] = $this->box($page['dict']);
            foreach ($this->resolve($page['dict']->{'/Annots'} ?? []) ?: [] as $reference) {
                $annotation = $this->resolve($reference);
                $uri = $this->text($this->resolve($annotation->{'/A'} ?? null)->{'/URI'} ?? '');
                if (str_starts_with($uri, $beginning)) {
                    [$x1, $y1, $x2, $y2] = $annotation->{'/Rect'};
                    $links[] = ['page' => $index + 1, 'uri' => substr($uri, strlen($beginning)), 'place' => new Rect(min($x1, $x2) - $left, $top - max($y1, $y2), abs($x2 - $x1), abs($y2 - $y1))];
                }
            }
        }

        return $links;
    }

    /** qpdf's name of a page's object ("12 0 R"); pages count from 1. */
    public function pageObject(int $page): string
    {
        return $this->leaves()[$page - 1]['name'];
    }

    /** A page's dictionary as qpdf's JSON gives it. */
    public function pageDictionary(int $page): object
    {
        return $this->leaves()[$page - 1]['dict'];
    }

    /**
     * qpdf's name of the catalog, and the catalog.
     *
     * @return array{string, \stdClass}
     */
    public function catalog(): array
    {
        $name = $this->objects['trailer']->value->{'/Root'};

        return [(string) $name, $this->resolve((string) $name)];
    }

    /** The highest object number in use. */
    public function highestObject(): int
    {
        return max([0, ...array_map(static fn (string $name) => preg_match('/^obj:(\d+)/', $name, $m) === 1 ? (int) $m[1] : 0, array_keys($this->objects))]);
    }

    /** Whether it already carries a digital signature. */
    public function isSigned(): bool
    {
        foreach ($this->objects as $object) {
            $dict = $object->value ?? null;
            if (is_object($dict) && isset($dict->{'/ByteRange'}, $dict->{'/Contents'})) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{name: string, dict: object}> */
    private function leaves(): array
    {
        $leaves = [];
        $seen = [];
        $walk = function (string $name, array $inherited) use (&$walk, &$leaves, &$seen): void {
            $node = $this->resolve($name);
            if (! is_object($node) || isset($seen[$name]) || count($leaves) > self::MOST_PAGES) {
                return;
            }
            $seen[$name] = true;
            foreach (['/MediaBox', '/CropBox', '/Rotate'] as $key) {
                if (isset($node->{$key})) {
                    $inherited[$key] = $this->resolve($node->{$key});
                }
            }
            if (isset($node->{'/Kids'})) {
                foreach ($this->resolve($node->{'/Kids'}) as $kid) {
                    is_string($kid) && $walk($kid, $inherited);
                }

                return;
            }
            $leaves[] = ['name' => $name, 'dict' => (object) [...(array) $node, ...$inherited]];
        };
        [, $catalog] = $this->catalog();
        is_string($catalog->{'/Pages'} ?? null) && $walk($catalog->{'/Pages'}, []);

        return $leaves;
    }

    /** @return array{float, float, float, float} */
    private function box(object $page): array
    {
        $box = $page->{'/CropBox'} ?? $page->{'/MediaBox'} ?? [0, 0, 612, 792];

        return [(float) $box[0], (float) $box[1], (float) $box[2], (float) $box[3]];
    }

    private function turn(object $page): int
    {
        return ((int) ($page->{'/Rotate'} ?? 0) % 360 + 360) % 360;
    }

    private function resolve(mixed $value): mixed
    {
        return is_string($value) && preg_match('/^\d+ \d+ R$/', $value) === 1 ? ($this->objects["obj:{$value}"]->value ?? null) : $value;
    }

    private function text(mixed $value): string
    {
        return is_string($value) ? (string) preg_replace('/^[ub]:/', '', $value) : '';
    }
}
