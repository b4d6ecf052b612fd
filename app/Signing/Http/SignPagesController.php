<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\RoundPaper;
use App\Models\Signer;
use App\Papers\PageStore;
use App\Papers\PaperText;
use App\Papers\PdfAnswer;
use App\Signing\PenPrint;
use App\Signing\PenScan;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Unanimus\Signing\RoundStatus;
use Unanimus\Signing\SignerStatus;

/** What a signer sees and takes along: pages before they sign, the sealed set after. */
final class SignPagesController
{
    public function __construct(private readonly Bytes $bytes)
    {
    }

    public function image(Request $request, string $token, int $position, int $page): Response
    {
        $sent = $this->sent(SignerLink::signer($request), $position);
        abort_if($page < 1 || $page > $sent->pages, 404);

        // What others wrote on paper is what is signed here, too.
        $scan = PenScan::of(SignerLink::signer($request)->round);
        $sha256 = $scan->sha256 ?? (string) $sent->sha256;

        return PageStore::send($this->bytes->path($sha256), $sha256, $scan?->page($sent, $page) ?? $page, behindLink: true);
    }

    /** A paper as running text, for whoever listens to it before signing. */
    public function text(Request $request, string $token, int $position): View
    {
        $signer = SignerLink::signer($request);
        $sent = $this->sent($signer, $position);

        return view('signing.text', [
            'title' => $sent->title,
            'round' => $signer->round,
            'token' => $token,
            'pages' => PaperText::of($sent->paper, $this->bytes->path((string) $sent->sha256)),
        ]);
    }

    /** Pages are there for whoever signs now; what has ended shows none, what is finished is in the sealed set. */
    private function sent(Signer $signer, int $position): RoundPaper
    {
        abort_if(
            $signer->round->status !== RoundStatus::Out ||
                in_array($signer->status, [SignerStatus::Waiting, SignerStatus::Finished], true),
            404,
        );
        $sent = $signer->round->papers->firstWhere('position', $position);

        return $sent instanceof RoundPaper && $sent->sha256 !== null ? $sent : abort(404);
    }

    public function set(Request $request, string $token): Response
    {
        $round = SignerLink::signer($request)->round;
        $set = $round->sealedSet ?? abort(404);
        abort_unless(SignerLink::signer($request)->seesSet(), 410);

        return PdfAnswer::of($this->bytes->read($set->sha256), "Signed {$round->title}");
    }

    /** What is about to be signed, to keep or to read first: the pages as they were sent, nobody's signature on them. */
    public function toSign(Request $request, string $token, PenPrint $print): Response
    {
        $signer = SignerLink::signer($request);
        $this->sent($signer, (int) $signer->round->papers->firstOrFail()->position);

        return PdfAnswer::of($print->plain($signer->round), (string) __('client.sign.download_name', ['round' => $signer->round->title]));
    }

    /** One paper of the finished set, under its own seal. */
    public function sealed(Request $request, string $token, int $position): Response
    {
        $signer = SignerLink::signer($request);
        $sent = $signer->round->papers->firstWhere('position', $position) ?? abort(404);
        $sealed = $signer->round->sealedPapers->firstWhere('round_paper_id', $sent->id) ?? abort(404);
        abort_unless($signer->seesSet(), 410);

        return PdfAnswer::of($this->bytes->read($sealed->sha256), "Signed {$sent->title}");
    }
}
