<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\DealFile;
use App\Models\Upload;
use App\Models\User;
use App\Papers\Actions\PlaceUpload;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Steps\StepRefused;

/** Where the files just uploaded belong, as their uploader says. */
final class PlacingController
{
    public function store(Request $request, DealFile $file, PlaceUpload $place): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'to' => 'nullable|array|max:60',
            'to.*' => 'nullable|string|max:26',
            'apart' => 'nullable|array|max:60',
            'apart.*' => 'string|max:64',
        ]);
        $refused = [];
        $placed = 0;
        foreach (Upload::open($file, User::signedIn($request))->where('is_question', true) as $upload) {
            // What came in after this page was made is still to be asked.
            if (! array_key_exists($upload->key, $given['to'] ?? [])) {
                continue;
            }
            try {
                if ($request->boolean('leave')) {
                    $place->leave($upload);
                } elseif (in_array($upload->key, $given['apart'] ?? [], true)) {
                    $place->apart($upload);
                } else {
                    $row = (string) $given['to'][$upload->key];
                    $place->at(
                        $upload->setRelation('file', $file),
                        $row === ''
                            ? null
                            : $file
                                ->papers()
                                ->where('key', $row)
                                ->firstOrFail(),
                    );
                }
                $placed++;
            } catch (StepRefused $why) {
                $refused[] = $why->getMessage();
            }
        }
        $told = $request->boolean('leave') || $placed === 0 ? '' : ($placed === 1 ? 'Placed 1 file.' : "Placed {$placed} files.");

        return to_route('files.show', $file)->with(array_filter(['told' => $told, 'refused' => implode(' ', $refused)]));
    }
}
