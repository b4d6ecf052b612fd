<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Makes a PDF from outside safe to keep: scripts, actions that start or send something, attached files and moving parts
 * are taken out, fields become a part of the page, a broken table of contents is mended. What was done is said.
 */
final class PdfClean
{
    /** @link https://opensource.adobe.com/dc-acrobat-sdk-docs/pdfstandards/PDF32000_2008.pdf ISO 32000-1, section 12.6.4 */
    private const ACTIONS = ['/JavaScript', '/Launch', '/SubmitForm', '/ImportData', '/ResetForm', '/GoToE', '/GoToR', '/Rendition', '/Movie', '/Sound', '/RichMediaExecute'];

    private const ANNOTATIONS = ['/FileAttachment', '/RichMedia', '/Movie', '/Sound', '/Screen', '/3D'];

    private const KEYS = ['/AA' => 'Actions that start by themselves were taken out.', '/OpenAction' => 'An action on opening was taken out.', '/JS' => 'Scripts were taken out.', '/JavaScript' => 'Scripts were taken out.', '/EmbeddedFiles' => 'Attached files were taken out.', '/AF' => 'Attached files were taken out.', '/XFA' => 'An XML form was taken out.'];

    /** @var array<string, true> what was done, in words */
    private array $notes = [];

    /** @var array<string, array{value: mixed}> */
    private array $changed = [];

    private function __construct(private readonly PdfLook $look)
    {
    }

    /**
     * A PDF as it may be kept.
     *
     * @return array{string|null, list<string>, int} its bytes, null when it can be kept as it came; what was done, in words; how many pages it has
     *
     * @throws PdfRefused when it is none, cut off, broken beyond mending, locked, or of a size that is not taken
     * @throws ToolFailed when its fields cannot be drawn
     */
    public static function of(string $path, Press $press): array
    {
        $mended = self::mend($path);
        $look = PdfLook::into($path);
        $pages = count($look->pages());
        if ($look->isSigned()) {
            return [null, ['It is signed digitally and is kept byte for byte.'], $pages];
        }
        $scratch = new Scratch;
        $locked = $look->isLocked();
        $fields = PdfFields::of($look)->all();
        if ($fields !== []) {
            // A value without a picture of its own would be lost with its field: it is drawn first.
            $path = $scratch->put('flat.pdf', FieldFill::into($path, [], true, $press));
            $look = PdfLook::into($path);
        }
        $clean = new self($look);
        $clean->strip();
        $fields === [] || $clean->notes[count($fields) === 1 ? 'Its one field became a part of the page.' : 'Its '.count($fields).' fields became a part of the page.'] = true;
        $locked && $clean->notes['Its lock against printing or changing was taken off.'] = true;
        $mended && $clean->notes['It was damaged and has been mended; look through its pages.'] = true;
        if ($clean->notes === []) {
            return [null, [], $pages];
        }

        return [$clean->rebuilt($path), array_keys($clean->notes), $pages];
    }

    /** Whether it is damaged in a way that can be mended. @throws PdfRefused when it is cut off or locked */
    private static function mend(string $path): bool
    {
        try {
            (new NativeTool(20))->run(['qpdf', '--show-npages', $path]);

            return false;
        } catch (ToolFailed $failed) {
            if (str_contains($failed->getMessage(), 'password')) {
                throw PdfRefused::password();
            }
        }
        $size = (int) filesize($path);
        $tail = (string) file_get_contents($path, false, null, max(0, $size - 2048));
        // Without its end a PDF may have lost pages, however many are left to read.
        if (! str_contains($tail, '%%EOF')) {
            throw str_starts_with(ltrim((string) file_get_contents($path, false, null, 0, 1024)), '%PDF-') ? PdfRefused::cutOff() : PdfRefused::noPdf();
        }

        return true;
    }

    private function strip(): void
    {
        foreach ($this->look->names() as $name) {
            $value = $this->look->object($name);
            if ($value instanceof \stdClass || is_array($value)) {
                $count = 0;
                $kept = $this->without($value, $count);
                $count > 0 && $this->changed["obj:{$name}"] = ['value' => $kept];
            }
        }
    }

    private function without(mixed $value, int &$count): mixed
    {
        if (is_array($value)) {
            $kept = array_filter($value, fn (mixed $one) => ! $this->isMoving($one, $count));

            return array_map(fn (mixed $one) => $this->without($one, $count), array_values($kept));
        }
        if (! $value instanceof \stdClass) {
            return $value;
        }
        $kept = [];
        foreach ((array) $value as $key => $part) {
            if ($key === '/OpenAction' && is_array($this->look->resolve($part))) {
                // Only says which page to open at.
                $kept[$key] = $part;
            } elseif (isset(self::KEYS[$key])) {
                $this->notes[self::KEYS[$key]] = true;
                $count++;
            } elseif (in_array($key, ['/A', '/PA', '/Next'], true) && $this->isActive($part)) {
                $count++;
            } else {
                $kept[$key] = $this->without($part, $count);
            }
        }

        return (object) $kept;
    }

    private function isActive(mixed $action): bool
    {
        $action = $this->look->resolve($action);
        foreach (is_array($action) ? $action : [$action] as $one) {
            $one = $this->look->resolve($one);
            if ($one instanceof \stdClass && in_array($this->look->resolve($one->{'/S'} ?? null), self::ACTIONS, true)) {
                $this->notes[$one->{'/S'} === '/JavaScript' ? 'Scripts were taken out.' : 'Links that start or send something were taken out.'] = true;

                return true;
            }
        }

        return false;
    }

    private function isMoving(mixed $annotation, int &$count): bool
    {
        $dict = $this->look->resolve($annotation);
        if (! $dict instanceof \stdClass || ! in_array($dict->{'/Subtype'} ?? null, self::ANNOTATIONS, true)) {
            return false;
        }
        $this->notes[$dict->{'/Subtype'} === '/FileAttachment' ? 'Attached files were taken out.' : 'Moving parts were taken out.'] = true;
        $count++;

        return true;
    }

    /** The pages alone, in a file of their own: whatever hung on the old one stays behind. */
    private function rebuilt(string $path): string
    {
        $scratch = new Scratch;
        $head = ['jsonversion' => 2, 'pushedinheritedpageresources' => false, 'calledgetallpages' => false, 'maxobjectid' => $this->look->highestObject()];
        $update = json_encode(['qpdf' => [$head, PdfLook::plain((object) $this->changed)]], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
        $tool = new NativeTool(60);
        try {
            $tool->run(['qpdf', '--warning-exit-0', $path, '--update-from-json='.$scratch->put('strip.json', $update), '--decrypt', '--flatten-annotations=all', $scratch->path('flat.pdf')]);
            $tool->run(['qpdf', '--warning-exit-0', '--deterministic-id', '--empty', '--pages', $scratch->path('flat.pdf'), '1-z', '--', '--object-streams=generate', $scratch->path('pages.pdf')]);
        } catch (ToolFailed $failed) {
            throw PdfRefused::damaged($failed);
        }

        return $scratch->get('pages.pdf');
    }
}
