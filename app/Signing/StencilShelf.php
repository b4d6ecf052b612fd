<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\Paper;
use App\Models\StoredStencil;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Database\Eloquent\Builder;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;
use Unanimus\Pages\Word;
use Unanimus\Signing\StencilVariants;
use Unanimus\Terms\Agency;
use Unanimus\Terms\Term;

/** The stencils at hand: everyone's and one's own. */
final class StencilShelf
{
    /** Two that fit about as well are both offered. */
    private const AS_WELL = 0.06;

    /** @return Builder<StoredStencil> those of everyone and of that person */
    public static function of(User $user): Builder
    {
        return StoredStencil::query()->where(static fn (Builder $whose) => $whose->whereNull('user_id')->orWhere('user_id', $user->id));
    }

    /**
     * Those that fit a paper and are meant for its file, best first.
     *
     * @return list<FittingStencil>
     */
    public static function fitting(Paper $paper, User $user): array
    {
        $stencils = self::of($user)->where('put_away', false)->get();
        $read = $stencils->isEmpty() ? null : self::read($paper);
        if ($read === null) {
            return [];
        }
        $fitting = [];
        foreach ($stencils as $stored) {
            $fit = $stored->stencil()->over(...$read);
            $fit === null || ($fitting[] = new FittingStencil($stored, $fit));
        }
        $order = static fn (FittingStencil $one): array => [$one->fit->share, $one->stored->id];
        usort($fitting, static fn (FittingStencil $a, FittingStencil $b) => $order($b) <=> $order($a));

        $best = array_values(
            array_filter($fitting, static fn (FittingStencil $one) => $one->fit->share >= $fitting[0]->fit->share - self::AS_WELL),
        );
        $agency = Agency::tryFrom((string) $paper->file->knownFacts->firstWhere('name', Term::Agency->value)?->value);

        return StencilVariants::of($best, $agency, static fn (FittingStencil $one) => $one->stored->agency);
    }

    /**
     * Words and sizes of the pages of a paper that came from outside.
     *
     * @return array{array<int, list<Word>>, list<array{float, float}>}|null null where there are none to be read
     */
    public static function read(Paper $paper): ?array
    {
        $sha256 = $paper->isDraft() ? null : $paper->latest?->sha256;
        if ($sha256 === null) {
            return null;
        }
        try {
            $path = app(Bytes::class)->path($sha256);

            return [PageWords::of($path), PdfLook::into($path, gate: false)->pages()];
        } catch (PdfRefused|ToolFailed) {
            return null;
        }
    }
}
