<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Bookmark;

/**
 * All forms: the built-in ones, read from their folders, and an office's own beside them. A folder holds the revision in
 * force; earlier ones stand in folders of their own in it, named by their revision.
 */
final class Library
{
    /** What a form may be numbered. */
    public const NUMBER = '/^[A-Z]{1,3}-\d{1,4}$/';

    /** @var array<string, Form> */
    private array $forms = [];

    /**
     * @param string $folder where the built-in forms' folders stand
     * @param FormShelf|null $own the office's own
     * @param string|null $kept a folder of the application's alone, where what was read is kept as PHP
     */
    public function __construct(
        private readonly string $folder,
        private readonly ?FormShelf $own = null,
        private readonly ?string $kept = null,
    ) {
    }

    /**
     * A form by its number, in the revision in force or the one that is named.
     *
     * @throws FormUnknown when there is none of that number and revision
     */
    public function form(string $number, ?string $revision = null): Form
    {
        if (! $this->isBuiltIn($number)) {
            return $this->own?->find($number, $revision) ??
                throw new FormUnknown("The library has no form {$number}".($revision === null ? '.' : " rev. {$revision}."));
        }
        $now = $this->forms[$number] ??= $this->read($this->path($number));
        if ($revision === null || $revision === $now->revision) {
            return $now;
        }

        return $this->forms["{$number} {$revision}"] ??= $this->read($this->earlier($number, $revision));
    }

    /**
     * The printed pages of a form, as quickly as they can be known: without reading its blanks.
     *
     * @throws FormUnknown when there is none of that number and revision
     */
    public function printed(string $number, ?string $revision = null): PrintedForm
    {
        if (! $this->isBuiltIn($number)) {
            $form = $this->form($number, $revision);

            return new PrintedForm($form->pages, $form->pdf);
        }
        $folder = $this->path($number);
        $data = $this->data("{$folder}/form.json");
        if ($revision !== null && $revision !== $data['revision']) {
            $folder = $this->earlier($number, $revision);
            $data = $this->data("{$folder}/form.json");
        }

        return new PrintedForm($data['pages'], "{$folder}/pages.pdf");
    }

    /** @throws FormUnknown when there never was such a revision */
    private function earlier(string $number, string $revision): string
    {
        $folder = $this->path($number).'/'.preg_replace('/[^0-9A-Za-z-]/', '', $revision);

        return is_file("{$folder}/form.json") ? $folder : throw new FormUnknown("The library has no form {$number} rev. {$revision}.");
    }

    /** Whether the library has a form of that number, in force or retired. */
    public function has(string $number): bool
    {
        return $this->isBuiltIn($number) || $this->own?->find($number) !== null;
    }

    /** Whether it ships with the application, so that no office's own may have its number. */
    public function isBuiltIn(string $number): bool
    {
        return preg_match(self::NUMBER, $number) === 1 && is_file($this->path($number).'/form.json');
    }

    /** @return list<Form> those papers may be begun on, by number */
    public function all(): array
    {
        $numbers = array_map(static fn (string $path) => strtoupper(basename(dirname($path))), glob($this->folder.'/*/form.json') ?: []);
        $all = [...array_map(fn (string $number) => $this->form($number), $numbers), ...$this->own?->all() ?? []];
        usort($all, static fn (Form $a, Form $b) => $a->number <=> $b->number);

        return array_values(array_filter($all, static fn (Form $form) => ! $form->retired));
    }

    private function read(string $folder): Form
    {
        $data = $this->data("{$folder}/form.json");

        return new Form(
            $data['number'],
            $data['revision'],
            $data['title'],
            $data['set'],
            $data['stage'],
            $data['pages'],
            array_values(array_map(Blank::fromArray(...), $data['blanks'])),
            array_values(array_map(MarkPlace::fromArray(...), $data['marks'])),
            "{$folder}/pages.pdf",
            (bool) ($data['retired'] ?? false),
            array_map(self::section(...), array_values($data['sections'] ?? [])),
        );
    }

    /** @param  array{title: string, page: int}  $section */
    private static function section(array $section): Bookmark
    {
        return new Bookmark($section['title'], $section['page']);
    }

    /**
     * What stands in a form's file. Read once, it is kept as PHP: a file with sixty papers asks for forty forms at a time.
     *
     * @return array<string, mixed>
     */
    private function data(string $path): array
    {
        $kept =
            $this->kept === null
                ? null
                : $this->kept.'/form-'.hash('xxh128', $path.'|'.filemtime($path).'|'.filesize($path)).'.php';
        if ($kept !== null && is_file($kept)) {
            return require $kept;
        }
        $data = json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR);
        if ($kept !== null && is_writable($this->kept)) {
            file_put_contents($own = $kept.'.'.getmypid(), '<?php return '.var_export($data, true).';');
            rename($own, $kept);
        }

        return $data;
    }

    private function path(string $number): string
    {
        return $this->folder.'/'.strtolower($number);
    }
}
