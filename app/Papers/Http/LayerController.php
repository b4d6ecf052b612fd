<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\Paper;
use App\Models\PaperPiece;
use App\Papers\Actions\KeepPiece;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What is put over the pages of a paper by hand. */
final class LayerController
{
    public function __invoke(Request $request, Paper $paper, KeepPiece $keep): JsonResponse
    {
        $paper->load(['file.office', 'file.members']);
        Gate::authorize('work-on', $paper->file);
        $given = $request->validate([
            'key' => 'required|string|min:8|max:60|regex:/^[\w:-]+$/',
            'off' => 'nullable|string|max:26',
            'instead' => 'nullable|string|max:26',
            'kind' => 'required_without:off|string|max:10',
            'page' => 'required_without:off|integer|min:1|max:1000',
            'place' => 'required_without:off|array|size:4',
            'text' => 'nullable|string|max:4000',
        ]);
        if (($given['off'] ?? null) !== null) {
            $keep->takeOff($paper, $given['off']);
        } else {
            $keep->put(
                $paper,
                ['kind' => $given['kind'], 'page' => $given['page'], 'place' => $given['place'], 'text' => $given['text'] ?? ''],
                $given['key'],
                $given['instead'] ?? null,
            );
        }

        return new JsonResponse(['pieces' => self::of($paper->refresh())]);
    }

    /** @return list<array<string, mixed>> */
    public static function of(Paper $paper): array
    {
        return array_values(PaperPiece::standing($paper)->get()->map(static fn (PaperPiece $piece) => $piece->shown())->all());
    }
}
