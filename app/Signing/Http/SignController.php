<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\Signer;
use App\Models\SigningMark;
use App\Signing\Actions\AdoptSignature;
use App\Signing\Actions\GoOnInOtherSeat;
use App\Signing\Actions\RecordEvent;
use App\Signing\Http\Requests\MakeMarkRequest;
use App\Signing\InPerson;
use App\Signing\MarkWords;
use App\Signing\RoundView;
use App\Terms\ChooseLanguage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Crypt;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Rect;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Part;
use Unanimus\Signing\PrivateEntry;
use Unanimus\Signing\RoundEvent;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignaturePicture;
use Unanimus\Signing\SignerStatus;
use Unanimus\Signing\SigningRefusal;

/** The signer's pages: no account, one link. */
final class SignController
{
    public function __construct(private readonly RecordEvent $record)
    {
    }

    /** @return list<string> names of those who have not signed yet, beside them, in the order in which they are asked */
    private static function others(Signer $signer): array
    {
        return array_values($signer->round->signers
            ->filter(static fn (Signer $one) => $one->id !== $signer->id && $one->part !== Part::Reads &&
                $one->status !== SignerStatus::Finished)
            ->sortBy(static fn (Signer $one) => [$one->turn, $one->id])
            ->pluck('name')
            ->unique()
            ->all());
    }

    public function show(Request $request, string $token): View
    {
        $signer = SignerLink::signer($request);
        $round = $signer->round;
        $standing = $signer->status;
        if ($round->status !== RoundStatus::Out || in_array($standing, [SignerStatus::Waiting, SignerStatus::Finished], true)) {
            return view('signing.over', [
                'signer' => $signer,
                'round' => $round,
                'token' => $token,
                'still' => self::others($signer),
            ]);
        }
        if ($signer->part !== Part::Signs) {
            $view = RoundView::forSigner($round->load(['events', 'signers']), $token);

            return view('signing.look', ['signer' => $signer, 'round' => $round, 'token' => $token, 'view' => $view]);
        }
        if ($standing !== SignerStatus::Consented) {
            return view('signing.consent', [
                'signer' => $signer,
                'round' => $round,
                'token' => $token,
                'minutes' => self::minutes($round, $signer),
                'places' => count($round->state()->owes($signer->seat)),
            ]);
        }
        if ($signer->adopted === null) {
            return view('signing.adopt', [
                'signer' => $signer,
                'round' => $round,
                'token' => $token,
                'before' => $signer->signedBefore()?->signature(),
            ]);
        }
        $round->load(['events', 'signers']);

        return view('signing.sign', [
            'signer' => $signer,
            'round' => $round,
            'token' => $token,
            'view' => RoundView::forSigner($round, $token),
            'left' => count($round->state()->owes($signer->seat)),
            'made' => $round->state()->made,
        ]);
    }

    /** A person has moved, touched or typed on the page: mail scanners fetch pages, they do none of that. */
    public function opened(Request $request, string $token): Response
    {
        $signer = SignerLink::signer($request);
        $signer->round->status === RoundStatus::Out &&
            $signer->status === SignerStatus::Invited &&
            $this->record($request, $signer, EventKind::Opened, 'opened');

        return new Response('', 204);
    }

    /** The signer chooses in which language they read; what they did stays. */
    public function language(Request $request, string $token, ChooseLanguage $choose): RedirectResponse
    {
        $choose(SignerLink::signer($request), ChooseLanguage::asked($request));

        return to_route('sign', $token);
    }

    public function consent(Request $request, string $token): RedirectResponse
    {
        $request->validate(['agree' => 'accepted'], ['agree.accepted' => __('client.sign.must_agree')]);
        $this->opened($request, $token);
        $signer = SignerLink::signer($request);
        $this->record($request, $signer, EventKind::Consented, 'consented', [
            'language' => $signer->language->value,
            'terms' => (string) __('client.sign.terms'),
        ]);

        return to_route('sign', $token);
    }

    /** The signature and initials they signed with the last time. */
    public function adoptAgain(Request $request, string $token, AdoptSignature $adopt): RedirectResponse
    {
        $signer = SignerLink::signer($request);
        $adopt($signer, $signer->signedBefore()?->signature() ?? abort(404), self::from($request, $signer));

        return to_route('sign', $token);
    }

    public function adopt(Request $request, string $token, AdoptSignature $adopt): RedirectResponse
    {
        $given = $request->validate(
            [
                'name' => 'required|string|max:120',
                'initials' => 'required|string|max:8',
                'hand' => 'nullable|string|max:20',
                'strokes' => 'nullable|string|max:200000',
                'picture' => 'nullable|string|max:100000',
            ],
            [
                'name.required' => __('client.sign.name_first'),
                'initials.required' => __('client.sign.name_first'),
                'strokes.max' => __('client.sign.drawing_large'),
                'picture.max' => __('client.sign.drawing_large'),
            ],
        );
        $signer = SignerLink::signer($request);
        [$strokes, $picture] = [(string) ($given['strokes'] ?? ''), (string) ($given['picture'] ?? '')];
        $signature = match (true) {
            $picture !== '' => AdoptedSignature::pictured($given['name'], $given['initials'], json_decode($picture, true)),
            $strokes !== '' => AdoptedSignature::drawn($given['name'], $given['initials'], json_decode($strokes, true)),
            default => AdoptedSignature::typed($given['name'], $given['initials'], (string) ($given['hand'] ?? '')),
        };
        $adopt($signer, $signature, self::from($request, $signer));

        return to_route('sign', $token);
    }

    /** The ink of a picture of their signature, to be looked at before it is chosen. Nothing of the picture is kept. */
    public function picture(Request $request): JsonResponse
    {
        $file = $request->file('picture');
        $bytes = $file instanceof UploadedFile && $file->isValid() ? $file->getContent() : throw SigningRefusal::NoPicture->because();
        $picture = SignaturePicture::read($bytes);

        return new JsonResponse(['picture' => $picture->toArray(), 'drawn' => $picture->in(new Rect(15, 15, 570, 150))]);
    }

    public function mark(MakeMarkRequest $request, string $token, string $key): JsonResponse
    {
        $signer = SignerLink::signer($request);
        $mark = $signer->round->marks->firstWhere('key', $key) ?? abort(404);
        $value = $mark->kind === MarkKind::Text
            ? $mark->terms()->format->read((string) $request->validated('value'), $signer->round->file->office->today())
            : null;
        $isPrivate = $mark->terms()->isPrivate;
        $this->record($request, $signer, EventKind::Marked, $this->once($request, $signer, $mark), array_filter(
            [
                'mark' => $key,
                'where' => self::where($mark, $signer->round),
                'value' => $value !== null && $isPrivate ? PrivateEntry::masked($value) : $value,
                'secret' => $value !== null && $isPrivate ? Crypt::encryptString($value) : null,
                'entered' => $mark->kind->isEntered(),
                'struck' => $mark->kind === MarkKind::Strike,
            ],
            static fn (string|bool|null $one) => $one !== null && $one !== false,
        ));

        return $this->places($signer);
    }

    /** Takes back what was typed or checked. */
    public function clear(MakeMarkRequest $request, string $token, string $key): JsonResponse
    {
        $signer = SignerLink::signer($request);
        $mark = $signer->round->marks->firstWhere('key', $key) ?? abort(404);
        $this->record($request, $signer, EventKind::Cleared, 'cleared:'.$this->once($request, $signer, $mark), [
            'mark' => $key,
            'where' => self::where($mark, $signer->round),
        ]);

        return $this->places($signer);
    }

    private static function where(SigningMark $mark, Round $round): string
    {
        $title = $round->papers->firstWhere('id', $mark->round_paper_id)->title ?? '';

        return "{$mark->kind->label()}, {$title}, page {$mark->page}";
    }

    /** A signature is made once; what is typed or checked may change, each time by a key of its own. */
    private function once(MakeMarkRequest $request, Signer $signer, SigningMark $mark): string
    {
        return "mark:{$signer->once()}:{$mark->key}".($mark->kind->isEntered() ? ':'.$request->validated('once') : '');
    }

    /** How the signer's places stand now: one may have taken the place of another. */
    private function places(Signer $signer): JsonResponse
    {
        $round = $signer->round->refresh()->load(['signers', 'marks', 'events', 'file.office']);
        $state = $round->state();
        $words = new MarkWords($round);
        $places = [];
        foreach ($round->marks->where('seat', $signer->seat) as $mark) {
            $act = $mark->act();
            if ($act !== null) {
                $drawing = new Drawing(612, 792);
                $words->draw($drawing, $mark);
                $places[$mark->key] = ['drawn' => $drawing->inner(), 'asked' => $state->made->isAskedFor($act)];
            }
        }

        return new JsonResponse(['places' => $places, 'left' => count($state->owes($signer->seat))]);
    }

    public function finish(Request $request, string $token, GoOnInOtherSeat $goOn): RedirectResponse
    {
        $signer = SignerLink::signer($request);
        $data = $signer->part === Part::Signs ? [] : ['part' => $signer->part->value];
        $this->record($request, $signer, EventKind::Finished, 'finished:'.$signer->once(), $data);
        // On a device that was handed over whose turn it is next is said there.
        $isHandedOver = (new InPerson($request->session()))->isGivenTo($signer);
        $next = $isHandedOver || $signer->part !== Part::Signs ? null : $goOn(
            $signer->refresh(),
            $request->user(),
            self::from($request, $signer),
        );

        return $next === null ? to_route('sign', $token) : to_route('sign', $next->token())->with('told', __('client.sign.other_seat'));
    }

    public function decline(Request $request, string $token): RedirectResponse
    {
        $given = $request->validate(
            ['reason' => 'required|string|max:1000'],
            ['reason.required' => __('client.sign.why_first')],
        );
        $this->record($request, SignerLink::signer($request), EventKind::Declined, 'declined:'.SignerLink::signer($request)->once(), [
            'reason' => $given['reason'],
        ]);

        return to_route('sign', $token);
    }

    public function ask(Request $request, string $token): RedirectResponse
    {
        $given = $request->validate(
            ['question' => 'required|string|max:1000', 'once' => 'required|string|max:40'],
            ['question.required' => __('client.sign.question_first')],
        );
        $signer = SignerLink::signer($request);
        $this->record($request, $signer, EventKind::Asked, "ask:{$signer->once()}:{$given['once']}", ['question' => $given['question']]);

        return to_route('sign', $token)->with('told', __('client.sign.asked', ['name' => $signer->round->sender->name]));
    }

    /** @param  array<string, mixed>  $data */
    private function record(Request $request, Signer $signer, EventKind $kind, string $once, array $data = []): \Unanimus\Signing\RoundState
    {
        $once = $kind === EventKind::Opened || $kind === EventKind::Consented ? "{$once}:{$signer->once()}" : $once;

        $here = new InPerson($request->session());
        $here->isGivenTo($signer) && ($data['here'] = $here->by());

        return ($this->record)($signer->round, new RoundEvent($kind, $signer->seat, $data), $once, self::from($request, $signer));
    }

    /** @return array{address: string|null, device: string|null} */
    public static function from(Request $request, Signer $signer): array
    {
        $here = new InPerson($request->session());
        $hand = $here->isGivenTo($signer) ? "in person, on the device of {$here->by()}; " : '';

        return ['address' => $request->ip(), 'device' => $hand.$request->userAgent()];
    }

    /** About how long it takes: half a minute a page to look at, a few seconds a place. */
    private static function minutes(Round $round, Signer $signer): int
    {
        return max(1, (int) round(($round->papers->sum('pages') * 30 + count($round->state()->owes($signer->seat)) * 5) / 60));
    }
}
