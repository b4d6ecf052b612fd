<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What in a PDF does something by itself or leads out of it: scripts, actions, attached files, moving parts, streams that lie
 * elsewhere, addresses that are no web pages. Links to web pages, email addresses, phone numbers and pages of its own stay.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 12.6.4 action types; 7.3.8.2 stream extent, external files
 */
final class ActiveContent
{
    /** Actions that may stay. */
    private const HARMLESS = ['/GoTo', '/URI', '/Named', '/Thread', '/Hide', '/SetOCGState', '/Trans', '/GoTo3DView'];

    private const WEB = '/^\s*(?:https?:|mailto:|tel:)|^\s*[^:\/?#\s]*(?:[\/?#]|$)/i';

    private const ANNOTATIONS = ['/FileAttachment', '/RichMedia', '/Movie', '/Sound', '/Screen', '/3D'];

    private const KEYS = [
        '/AA' => 'Actions that start by themselves were taken out.',
        '/OpenAction' => 'An action on opening was taken out.',
        '/JS' => 'Scripts were taken out.',
        '/JavaScript' => 'Scripts were taken out.',
        '/EmbeddedFiles' => 'Attached files were taken out.',
        '/AF' => 'Attached files were taken out.',
        '/XFA' => 'An XML form was taken out.',
    ];

    /** Dictionaries whose keys are names given by whoever wrote the page: a font may be called "AA". */
    private const NAMED_FREELY = [
        '/Font',
        '/XObject',
        '/ExtGState',
        '/ColorSpace',
        '/Pattern',
        '/Shading',
        '/Properties',
        '/Dests',
        '/ClassMap',
        '/RoleMap',
        '/IDS',
    ];

    /** @var array<string, mixed> objects as they may stay, by name; those that change only */
    public array $changed = [];

    /** @var array<string, true> */
    private array $notes = [];

    private int $count = 0;

    /** @var array<string, true> names of objects whose keys are given freely */
    private array $free = [];

    private function __construct(private readonly PdfLook $look)
    {
    }

    /** Looks through every object. */
    public static function in(PdfLook $look): self
    {
        $content = new self($look);
        foreach ($look->names() as $name) {
            $content->collectFree($look->object($name));
        }
        foreach ($look->names() as $name) {
            $value = $look->object($name);
            if ($value instanceof \stdClass || is_array($value)) {
                $before = $content->count;
                $kept = $content->without($value, isset($content->free[$name]), $look->isStream($name));
                $content->count > $before && ($content->changed[$name] = $kept);
            }
        }

        return $content;
    }

    /** Whether there is none. */
    public function isNone(): bool
    {
        return $this->changed === [];
    }

    /** @return list<string> what there was, in words */
    public function notes(): array
    {
        return array_keys($this->notes);
    }

    private function collectFree(mixed $value): void
    {
        foreach ($value instanceof \stdClass || is_array($value) ? (array) $value : [] as $key => $part) {
            in_array($key, self::NAMED_FREELY, true) && PdfLook::isReference($part) && ($this->free[$part] = true);
            $this->collectFree($part);
        }
    }

    private function without(mixed $value, bool $free = false, bool $stream = false): mixed
    {
        if (is_array($value)) {
            $kept = array_filter($value, fn (mixed $one) => ! $this->isMoving($one));

            return array_map(fn (mixed $one) => $this->without($one), array_values($kept));
        }
        if (! ($value instanceof \stdClass)) {
            return $value;
        }
        $kept = [];
        foreach ((array) $value as $key => $part) {
            if ($free || ! $this->isActive((string) $key, $part, $stream)) {
                $kept[$key] = $this->without($part, in_array($key, self::NAMED_FREELY, true));
            }
        }

        return (object) $kept;
    }

    private function isActive(string $key, mixed $part, bool $stream): bool
    {
        if ($key === '/OpenAction' && is_array($this->look->resolve($part))) {
            // Only says which page to open at.
            return false;
        }
        if (isset(self::KEYS[$key])) {
            return $this->tell(self::KEYS[$key]);
        }
        if ($stream && in_array($key, ['/F', '/FFilter', '/FDecodeParms'], true)) {
            return $this->tell('Parts that lie in other files were taken out.');
        }

        return in_array($key, ['/A', '/PA', '/Next'], true) && $this->isHarmful($part);
    }

    private function isHarmful(mixed $action): bool
    {
        $action = $this->look->resolve($action);
        foreach (is_array($action) ? $action : [$action] as $one) {
            $one = $this->look->resolve($one);
            $kind = $one instanceof \stdClass ? $this->look->resolve($one->{'/S'} ?? null) : null;
            if (! is_string($kind)) {
                continue;
            }
            if ($kind === '/URI' && preg_match(self::WEB, PdfString::text($this->look->resolve($one->{'/URI'} ?? ''))) !== 1) {
                return $this->tell('Links that lead to no web page were taken out.');
            }
            // The dictionary of a structure element or a rectangle also has "/S" or "/A": only names of actions count.
            if (! in_array($kind, self::HARMLESS, true) && $this->isAction($one, $kind)) {
                return $this->tell(
                    $kind === '/JavaScript' ? 'Scripts were taken out.' : 'Links that start or send something were taken out.',
                );
            }
        }

        return false;
    }

    private function isAction(\stdClass $dict, string $kind): bool
    {
        return $this->look->resolve($dict->{'/Type'} ?? null) === '/Action' ||
            in_array(
                $kind,
                [
                    '/JavaScript',
                    '/Launch',
                    '/SubmitForm',
                    '/ImportData',
                    '/ResetForm',
                    '/GoToE',
                    '/GoToR',
                    '/Rendition',
                    '/Movie',
                    '/Sound',
                    '/RichMediaExecute',
                    '/GoToDp',
                ],
                true,
            );
    }

    private function isMoving(mixed $annotation): bool
    {
        $dict = $this->look->resolve($annotation);
        $kind = $dict instanceof \stdClass ? $this->look->resolve($dict->{'/Subtype'} ?? null) : null;

        return in_array($kind, self::ANNOTATIONS, true) &&
            $this->tell($kind === '/FileAttachment' ? 'Attached files were taken out.' : 'Moving parts were taken out.');
    }

    private function tell(string $note): bool
    {
        $this->notes[$note] = true;
        $this->count++;

        return true;
    }
}
