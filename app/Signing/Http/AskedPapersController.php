<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Paper;
use App\Models\Round;
use App\Signing\Actions\AddAskedPaper;
use App\Signing\Actions\AskForPaper;
use App\Terms\ClientWords;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\PaperState;
use Unanimus\Intake\BringRefused;
use Unanimus\Signing\SigningRefusal;

/** Papers that signers are asked to add: asked for on the desk, added on the signer's page. */
final class AskedPapersController
{
    public function store(Request $request, Round $round, AskForPaper $ask): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate([
            'signer' => 'required|string|max:26',
            'title' => 'nullable|string|max:300',
            'place' => 'nullable|string|max:26',
            'optional' => 'nullable|boolean',
        ]);
        $place = ($given['place'] ?? '') === ''
            ? null
            : Paper::query()
                ->where(['deal_file_id' => $round->deal_file_id, 'key' => $given['place'], 'state' => PaperState::Expected])
                ->firstOrFail();
        $asked = $ask($round, $given['signer'], (string) ($given['title'] ?? ''), ! ($given['optional'] ?? false), $place);

        return to_route('rounds.show', $round)->with('told', "“{$asked->title}” is asked for on their page.");
    }

    public function destroy(Round $round, string $signer, string $key, AskForPaper $ask): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $ask->withdraw($round, $signer, $key);

        return to_route('rounds.show', $round);
    }

    /** The signer adds it. */
    public function add(Request $request, string $token, string $key, AddAskedPaper $add): JsonResponse|RedirectResponse
    {
        $signer = SignerLink::signer($request);
        $file = $request->file('paper');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw SigningRefusal::AskedAsPdf->because();
        }
        $given = $request->validate(['once' => 'required|string|max:40']);
        try {
            $state = $add(
                $signer,
                $key,
                $file->getPathname(),
                $file->getClientOriginalName(),
                $given['once'],
                SignController::from($request, $signer),
            );
        } catch (BringRefused $refused) {
            $told = ClientWords::of($refused->getMessage(), 'client.bring.refused');

            return $request->expectsJson()
                ? new JsonResponse(['message' => $told], 422)
                : to_route('sign', $token)->with('refused', $told);
        }

        return $request->expectsJson()
            ? new JsonResponse(['name' => $state->added[$key] ?? '', 'missing' => count($state->missing($signer->seat))])
            : to_route('sign', $token);
    }
}
