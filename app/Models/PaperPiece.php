<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Builder;
use Unanimus\Pages\LayerKind;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\Rect;

/**
 * A piece put over a page of a paper. It belongs to one version of it: a newer one comes without it.
 *
 * @property int $id
 * @property string $key
 * @property int $paper_id
 * @property int $version number of the version it is on; 0: the form
 * @property int $page
 * @property LayerKind $kind
 * @property list<array{float, float, float, float}> $places
 * @property string $text
 * @property int|null $replaces
 * @property string $client_key
 * @property int|null $user_id
 * @property string|null $gone_at
 * @property int|null $gone_by
 */
final class PaperPiece extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['kind' => LayerKind::class, 'places' => 'array'];

    /** @return Builder<self> those that stand on a paper now */
    public static function standing(Paper $paper): Builder
    {
        return self::query()->where('paper_id', $paper->id)->where('version', self::versionOf($paper))->whereNull('gone_at')->orderBy('id');
    }

    /** @return list<LayerPiece> */
    public static function layer(Paper $paper): array
    {
        return array_values(self::standing($paper)->get()->map(static fn (self $piece) => $piece->piece())->all());
    }

    /**
     * What stands on each of several papers, asked for at once.
     *
     * @param iterable<Paper> $papers
     * @return array<int, list<LayerPiece>> by paper
     */
    public static function layers(iterable $papers): array
    {
        $versions = [];
        foreach ($papers as $paper) {
            $versions[$paper->id] = self::versionOf($paper);
        }
        $layers = array_map(static fn () => [], $versions);
        foreach (self::query()->whereIn('paper_id', array_keys($versions))->whereNull('gone_at')->orderBy('id')->get() as $piece) {
            $piece->version === $versions[$piece->paper_id] && ($layers[$piece->paper_id][] = $piece->piece());
        }

        return $layers;
    }

    /** Puts what stands on one paper on another that has the same pages. */
    public static function copyOver(Paper $from, Paper $to): void
    {
        $version = self::versionOf($to->load('latest'));
        foreach (self::standing($from)->get() as $piece) {
            self::create([
                'brokerage_id' => $to->brokerage_id,
                'deal_file_id' => $to->deal_file_id,
                'paper_id' => $to->id,
                'version' => $version,
                'page' => $piece->page,
                'kind' => $piece->kind,
                'places' => $piece->places,
                'text' => $piece->text,
                'replaces' => null,
                'client_key' => "copy:{$piece->key}",
                'user_id' => $piece->user_id,
                'gone_at' => null,
                'gone_by' => null,
            ]);
        }
    }

    /** The version of a paper that pieces are put on. */
    public static function versionOf(Paper $paper): int
    {
        return $paper->isDraft() ? 0 : (int) $paper->latest?->number;
    }

    public function piece(): LayerPiece
    {
        $places = array_values(array_map(Rect::fromArray(...), $this->places));

        return new LayerPiece($this->kind, $this->page, $places === [] ? [new Rect(0, 0, 1, 1)] : $places, $this->text);
    }

    /** @return array<string, mixed> as the page needs it */
    public function shown(): array
    {
        return [
            'key' => $this->key,
            'page' => $this->page,
            'kind' => $this->kind->value,
            'places' => $this->places,
            'text' => $this->text,
            'svg' => LayerPiece::draw([$this->piece()], [], array_fill(0, $this->page, [612.0, 792.0]))[$this->page]->inner(),
        ];
    }
}
