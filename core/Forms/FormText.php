<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\Kind;

/**
 * The text a library form is printed from: a head of "name: value" lines, a line "---", then HTML in which
 * [[name kind option=…]] is a blank and [[@kind seat]] a mark.
 *
 * Options of a blank: w= width and h= height in points, req, bind= fact, calc="formula", group=, when=, options="one|other", label="…".
 *
 * @internal to its area
 */
final class FormText
{
    /** What the links in the printed pages begin with; their rectangles become blanks and marks. */
    /** Margins of a printed page in points, above and below what is filled in. */
    public const TOP = 46;

    public const FOOT = 64;

    public const MARKER = 'https://field.invalid/';

    private const TICK_END = '</a><!--tick-->';

    /** @var array<string, array<string, string>> by name, what each blank says of itself */
    public array $blanks = [];

    /** @var list<array{kind: string, seat: string}> */
    public array $marks = [];

    /** @param  array<string, string>  $head */
    private function __construct(public readonly array $head, private readonly string $body)
    {
    }

    /** @throws \UnexpectedValueException when the head is not complete */
    public static function read(string $text): self
    {
        [$top, $body] = explode("\n---\n", $text, 2) + [1 => ''];
        $head = [];
        foreach (explode("\n", $top) as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            $head[trim($name)] = trim($value);
        }
        foreach (['number', 'revision', 'title', 'set', 'stage'] as $name) {
            if (($head[$name] ?? '') === '') {
                throw new \UnexpectedValueException("The head of a form's text has no “{$name}”.");
            }
        }

        return new self($head, $body);
    }

    /**
     * The HTML to print, with a marker link at every blank and mark; fills {@see $blanks} and {@see $marks}.
     *
     * @throws \UnexpectedValueException when a blank is named twice or cannot be read
     */
    public function html(): string
    {
        $body = (string) preg_replace_callback(
            '/\[\[(@?)(.+?)\]\]/s',
            fn (array $m) => $m[1] === '@' ? $this->mark($m[2]) : $this->blank($m[2]),
            $this->body,
        );
        $body = (string) preg_replace(
            '~(<a class="t"[^>]*>x'.preg_quote(self::TICK_END, '~').') ?([^\s<]+)~',
            '<span class="nb">$1&nbsp;$2</span>',
            $body,
        );
        $foot = htmlspecialchars(
            "{$this->head['number']} · rev. {$this->head['revision']} · {$this->head['set']} · sample form of a fictional state, not ".
                'legal advice',
        );

        $type = $this->head['type'] ?? '10/1.6';
        [$size, $lead] = explode('/', $type);
        [$top, $bottom] = [self::TOP, self::FOOT];

        return <<<HTML
        <!doctype html><html lang="en"><head><meta charset="utf-8"><style>
        @page { size: 612pt 792pt; margin: {$top}pt 50pt {$bottom}pt 50pt;
            @bottom-left { content: "{$foot}"; font: 7pt 'Noto Sans'; color: #555; vertical-align: bottom; padding-bottom: 16pt; }
            @bottom-right { content: "page " counter(page) " of " counter(pages); font: 7pt 'Noto Sans'; color: #555;
                vertical-align: bottom; padding-bottom: 16pt; }
            }
        body { font: {$size}pt/{$lead} 'Noto Serif', serif; color: #111; margin: 0; }
        h1 { font: 700 17pt/1.2 'Noto Serif'; margin: 0 0 2pt; }
        .set { font: 8pt 'Noto Sans'; color: #444; margin: 0 0 10pt; border-bottom: 1.4pt solid #222; padding-bottom: 6pt; }
        h2 { font: 700 10.4pt/1.3 'Noto Sans'; margin: 11pt 0 3pt; break-after: avoid; } p { margin: 0 0 5.5pt; }
        ol { margin: 0 0 5pt; padding-left: 17pt; } li { margin-bottom: 3.5pt; }
        a.b { display: inline-block; height: 13pt; border-bottom: .6pt solid #333; vertical-align: -2.6pt; overflow: hidden;
            font-size: 1pt; color: transparent; text-decoration: none; }
        a.t { display: inline-block; width: 8.6pt; height: 8.6pt; border: .7pt solid #222; vertical-align: -1pt; overflow: hidden;
            font-size: 1pt; color: transparent; }
        span.nb { white-space: nowrap; } a.b, a.t, a.l, tr { break-inside: avoid; }
        a.l { display: block; border: .6pt solid #777; overflow: hidden; font-size: 1pt; color: transparent; margin: 2pt 0 6pt; }
        table { width: 100%; border-collapse: collapse; margin: 3pt 0 7pt; font-size: 9pt; }
        td, th { border: .6pt solid #888; padding: 2.5pt 4pt; text-align: left; vertical-align: middle; }
        th { font: 600 8pt 'Noto Sans'; background: #f2f2ee; }
        .sign { display: grid; grid-template-columns: 1fr 1fr; gap: 9pt 26pt; margin-top: 8pt; }
        .sign > div { break-inside: avoid; font: 7.5pt 'Noto Sans'; }
        .sign a.b { height: 24pt; width: 100%; vertical-align: bottom; } .sign a.b.short { width: 76pt; height: 14pt; }
        .sign a.b.half { width: 92pt; height: 14pt; } .keep { break-inside: avoid; } .brk { break-before: page; }
        </style></head><body><h1>{$this->head['title']}</h1><p class="set">{$foot}</p>{$body}</body></html>
        HTML;
    }

    private function blank(string $token): string
    {
        if (preg_match('/^([a-z_0-9.]+)\s+([a-z]+)\s*(.*)$/s', trim($token), $m) !== 1 || Kind::tryFrom($m[2]) === null) {
            throw new \UnexpectedValueException("“{$token}” cannot be read as a blank.");
        }
        [, $name, $kind, $rest] = $m;
        if (isset($this->blanks[$name])) {
            throw new \UnexpectedValueException("The blank “{$name}” stands twice in {$this->head['number']}.");
        }
        $options = self::options($rest);
        $this->blanks[$name] = [
            'name' => $name,
            'kind' => $kind,
            'label' => $options['label'] ?? ucfirst(str_replace(['_', '.'], ' ', $name)),
            ...$options,
        ];
        $href = self::MARKER."blank/{$name}";
        $width = $options['w'] ?? '90';

        return match ($kind) {
            'tick' => "<a class=\"t\" href=\"{$href}\">x".self::TICK_END,
            'lines' => '<a class="l" style="height:'.($options['h'] ?? '44')."pt\" href=\"{$href}\">x</a>",
            default => "<a class=\"b\" style=\"width:{$width}pt\" href=\"{$href}\">x</a>",
        };
    }

    private function mark(string $token): string
    {
        [$kind, $seat] = explode(' ', trim($token), 2) + [1 => ''];
        $kinds = ['sign' => 'signature', 'date' => 'date', 'name' => 'name', 'initials' => 'initials'];
        if (! isset($kinds[$kind])) {
            throw new \UnexpectedValueException("“{$token}” cannot be read as a mark.");
        }
        $this->marks[] = ['kind' => $kinds[$kind], 'seat' => $seat];
        $class = ['sign' => 'b', 'date' => 'b short', 'name' => 'b half', 'initials' => 'b short'][$kind];

        return '<a class="'.$class.'" href="'.self::MARKER.'mark/'.(count($this->marks) - 1).'">x</a>';
    }

    /** @return array<string, string> */
    private static function options(string $rest): array
    {
        preg_match_all('/([a-z]+)(?:=(?:"([^"]*)"|(\S+)))?/', $rest, $found, PREG_SET_ORDER);
        $options = [];
        foreach ($found as $option) {
            $options[$option[1]] = ($option[2] ?? '') !== '' ? $option[2] : $option[3] ?? '1';
        }

        return $options;
    }
}
