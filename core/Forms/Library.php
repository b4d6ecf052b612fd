<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * The built-in forms, read from their folders: one folder a form, with the printed pages and what is known of them.
 */
final class Library
{
    /** @var array<string, Form> */
    private array $forms = [];

    /** @param  string  $folder where the forms' folders stand */
    public function __construct(private readonly string $folder)
    {
    }

    /**
     * A form by its number.
     *
     * @throws FormUnknown when the library has none of that number
     */
    public function form(string $number): Form
    {
        return $this->forms[$number] ??= $this->read($number);
    }

    /** Whether the library has a form of that number. */
    public function has(string $number): bool
    {
        return preg_match('/^[A-Z]{1,3}-\d{1,4}$/', $number) === 1 && is_file($this->path($number).'/form.json');
    }

    /** @return list<Form> all, by number */
    public function all(): array
    {
        $numbers = array_map(static fn (string $path) => strtoupper(basename(dirname($path))), glob($this->folder.'/*/form.json') ?: []);
        sort($numbers);

        return array_map($this->form(...), $numbers);
    }

    private function read(string $number): Form
    {
        if (! $this->has($number)) {
            throw new FormUnknown("The library has no form {$number}.");
        }
        $data = json_decode((string) file_get_contents($this->path($number).'/form.json'), true, 512, JSON_THROW_ON_ERROR);

        return new Form(
            $data['number'], $data['revision'], $data['title'], $data['set'], $data['stage'], $data['pages'],
            array_values(array_map(Blank::fromArray(...), $data['blanks'])), array_values(array_map(MarkPlace::fromArray(...), $data['marks'])),
            $this->path($number).'/pages.pdf',
        );
    }

    private function path(string $number): string
    {
        return $this->folder.'/'.strtolower($number);
    }
}
