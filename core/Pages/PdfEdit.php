<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * The one place where objects of a PDF are changed. It works on a copy without object streams, because qpdf loses the
 * change of an object that lies in one, and whoever changes says how to tell from the written file that all arrived.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 7.5.7 object streams
 */
final class PdfEdit
{
    /** @var array<string, mixed> by qpdf's key "obj:12 0 R" */
    private array $objects = [];

    private int $highest;

    private function __construct(private readonly Scratch $scratch, private readonly string $path, public readonly PdfLook $look)
    {
        $this->highest = $look->highestObject();
    }

    /**
     * Opens a PDF for changes.
     *
     * @param bool $gate whether its pages must be of a size and number that is taken; not asked of what is made here
     *
     * @throws PdfRefused when it is no usable PDF
     * @throws ToolFailed when it cannot be unpacked
     */
    public static function of(string $path, bool $gate = true): self
    {
        $scratch = new Scratch();
        $look = PdfLook::into($path, gate: $gate);
        if ($look->hasObjectStreams()) {
            $plain = $scratch->path('plain.pdf');
            (new NativeTool())->run([
                'qpdf',
                '--warning-exit-0',
                '--deterministic-id',
                '--decrypt',
                '--object-streams=disable',
                $path,
                $plain,
            ]);
            [$path, $look] = [$plain, PdfLook::into($plain, gate: $gate)];
        }

        return new self($scratch, $path, $look);
    }

    /** Changes an object, or writes one back as it stands now in the look. @param  string  $name "12 0 R" */
    public function put(string $name, mixed $value): void
    {
        $this->objects["obj:{$name}"] = $this->look->isStream($name) ? ['stream' => ['dict' => $value]] : ['value' => $value];
    }

    /** Adds an object and gives its name. */
    public function add(mixed $value): string
    {
        $name = ++$this->highest.' 0 R';
        $this->objects["obj:{$name}"] = ['value' => $value];

        return $name;
    }

    /**
     * Adds a stream and gives its name.
     *
     * @param array<string, mixed> $dict
     */
    public function addStream(array $dict, string $data): string
    {
        $name = ++$this->highest.' 0 R';
        $this->objects["obj:{$name}"] = ['stream' => ['dict' => (object) $dict, 'data' => base64_encode($data)]];

        return $name;
    }

    /** Names the document, as readers show it in their title bar (ISO 32000-1, 14.3.3). */
    public function titled(string $title, ?string $madeBy = null): void
    {
        $name = $this->look->information();
        $info = $name === null ? null : $this->look->object($name);
        $info = $info instanceof \stdClass ? $info : new \stdClass();
        $info->{'/Title'} = 'u:'.PlainText::of($title);
        if ($madeBy !== null) {
            $info->{'/Creator'} = $info->{'/Producer'} = "u:{$madeBy}";
        }
        if ($name !== null) {
            $this->put($name, $info);

            return;
        }
        $trailer = $this->look->object('trailer') ?? new \stdClass();
        $trailer->{'/Info'} = $this->add($info);
        $this->objects['trailer'] = ['value' => $trailer];
    }

    /**
     * Adds objects that have been numbered behind those of the file.
     *
     * @param array<string, mixed> $objects by qpdf's key, as its JSON takes them
     */
    public function addNumbered(array $objects): void
    {
        $this->objects = [...$this->objects, ...$objects];
        $this->highest = max([$this->highest, ...array_map(static fn (string $name) => (int) substr($name, 4), array_keys($objects))]);
    }

    /**
     * What streams hold, unpacked.
     *
     * @param list<string> $names "12 0 R"
     * @return array<string, string> by name
     *
     * @throws ToolFailed when they cannot be read
     */
    public function contents(array $names): array
    {
        $contents = [];
        foreach (array_chunk($names, 500) as $some) {
            $asked = array_map(static fn (string $name) => '--json-object='.str_replace(' ', ',', substr($name, 0, -2)), $some);
            $json = (new NativeTool())->run([
                'qpdf',
                '--warning-exit-0',
                '--json=2',
                '--json-key=qpdf',
                '--json-stream-data=inline',
                '--decode-level=generalized',
                ...$asked,
                $this->path,
            ]);
            foreach ((array) (json_decode(PdfString::asText($json), false, 512)->qpdf[1] ?? []) as $key => $object) {
                isset($object->stream->data) && ($contents[substr((string) $key, 4)] = (string) base64_decode($object->stream->data));
            }
        }

        return $contents;
    }

    /** The highest object number in use, with what has been added. */
    public function highest(): int
    {
        return $this->highest;
    }

    /**
     * Writes the PDF and reads it back.
     *
     * @param list<string> $options further words for qpdf, between the file and its end
     * @param \Closure(PdfLook, string): ?string $lost looks at what was written (and its path) and says what is missing; null when all is
     *                                                 there
     * @return string the bytes
     *
     * @throws EditLost when something did not arrive
     * @throws ToolFailed when it cannot be written
     */
    public function write(array $options, \Closure $lost, bool $packed = true): string
    {
        $out = $this->scratch->path('written.pdf');
        $command = ['qpdf', '--warning-exit-0', '--deterministic-id', $this->path];
        if ($this->objects !== []) {
            $command[] = '--update-from-json='.$this->scratch->put('update.json', $this->json());
        }
        (new NativeTool())->run([...$command, ...$options, '--object-streams='.($packed ? 'generate' : 'disable'), $out]);
        $missing = $lost(PdfLook::into($out, gate: false), $out);
        if ($missing !== null) {
            throw EditLost::of($missing);
        }

        return $this->scratch->get('written.pdf');
    }

    private function json(): string
    {
        $head = [
            'jsonversion' => 2,
            'pushedinheritedpageresources' => false,
            'calledgetallpages' => false,
            'maxobjectid' => $this->highest,
        ];
        $json = json_encode(
            ['qpdf' => [$head, PdfLook::plain((object) $this->objects)]],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_LINE_TERMINATORS,
        );

        return PdfString::rawBytes($json);
    }
}
