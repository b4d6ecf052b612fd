<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Files\CalledFile;
use App\Files\MailAddress;
use App\Intake\Actions\DropFiles;
use App\Intake\Actions\SettleMail;
use App\Intake\StackContents;
use App\Models\Brokerage;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Paper;
use App\Models\Role;
use App\Models\User;
use App\Papers\Actions\TakeTerms;
use App\Papers\PageStore;
use App\Papers\PdfAnswer;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\BroughtKind;
use Unanimus\Intake\CameraTurn;
use Unanimus\Intake\Converter;
use Unanimus\Pages\PlainText;
use Unanimus\Pages\ToolFailed;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;

/** Mail that is in no file yet: looked at, filed, or put away. */
final class InboxController
{
    /** Letters at once; those before them by a link. */
    private const SHOWN = 40;

    public function index(Request $request): View
    {
        Gate::authorize('inbox');
        $away = $request->query('put-away') !== null;
        $given = $request->validate(['before' => 'nullable|string|max:26']);
        $before = isset($given['before']) ? InboundItem::query()->where('key', $given['before'])->value('id') : null;
        $items = InboundItem::query()
            ->with('guess.members')
            ->when(Gate::denies('sort-mail'), static fn ($items) => $items->where('for_user', User::signedIn($request)->id))
            ->when(
                $away,
                static fn ($items) => $items
                    ->whereNotNull('settled_at')
                    ->whereNull('filed_into')
                    ->where('settled_at', '>', now()->subDays(SettleMail::DAYS)),
                static fn ($items) => $items->whereNull('settled_at'),
            )
            ->when($before !== null, static fn ($items) => $items->where('id', '<', $before))
            ->orderByDesc('id')
            ->limit(self::SHOWN)
            ->get();

        return view('office.inbox', [
            'away' => $away,
            'items' => $items,
            'earlier' => $items->count() === self::SHOWN ? $items->last()?->key : null,
            'holds' => StackContents::ofMail($items),
            'waiting' => InboundItem::query()
                ->when(Gate::denies('sort-mail'), static fn ($items) => $items->where('for_user', User::signedIn($request)->id))
                ->whereNull('settled_at')
                ->count(),
            'sorters' => Gate::allows('run-office')
                ? Brokerage::query()->findOrFail(User::signedIn($request)->brokerage_id)->sorts_mail
                : null,
            'own' => MailAddress::ofPerson(User::signedIn($request)),
            'common' => MailAddress::common(),
            'files' => DealFile::query()->whereIn('status', DealStatus::open())->orderByDesc('id')->limit(80)->pluck('name'),
        ]);
    }

    /** Files that are dropped on the inbox, or chosen there. */
    public function drop(Request $request, DropFiles $drop): RedirectResponse
    {
        Gate::authorize('inbox');
        $given = $request->validate(
            [
                'papers' => 'required|array|max:20',
                'papers.*' => 'file|max:51200',
                'key' => 'required|string|min:8|max:40|regex:/^[\w-]+$/',
            ],
            ['papers.required' => 'Choose at least one file.', 'papers.*.max' => 'A file is larger than 50 MB.'],
        );
        $files = [];
        foreach ($given['papers'] as $index => $file) {
            $name = mb_strimwidth(PlainText::of($file->getClientOriginalName()), 0, 200, '…') ?: 'file';
            $files[isset($files[$name]) ? "{$index} {$name}" : $name] = (string) $file->getRealPath();
        }
        try {
            $item = $drop(User::signedIn($request), $files, $given['key']);
        } catch (BringRefused $why) {
            return to_route('inbox')->with('refused', $why->getMessage());
        }

        return to_route('inbox')->with('told', "“{$item->subject}” is in the inbox.");
    }

    /** Which roles sort the mail that came to nobody's own address. */
    public function sorters(Request $request, SettleMail $settle): RedirectResponse
    {
        Gate::authorize('run-office');
        $roles = $request->validate(
            ['roles' => 'required|array', 'roles.*' => [Rule::enum(Role::class)]],
            ['roles.required' => 'Someone has to sort the mail. Leave at least one role checked.'],
        )['roles'];
        $settle->sortedBy(User::signedIn($request)->brokerage_id, array_values($roles));

        return to_route('inbox')->with('told', 'Stored. It holds from the next page on.');
    }

    /** Files a letter's papers under the proposed file, or the one that was typed. */
    public function file(Request $request, InboundItem $item, SettleMail $settle): RedirectResponse
    {
        Gate::authorize('sort-item', $item);
        $given = $request->validate(['to' => 'nullable|string|max:200']);
        $to = $this->fileOf(trim((string) ($given['to'] ?? '')), $item);
        Gate::allows('work-on', $to) || throw FileRefusal::NotAFileOfYours->because();
        $uploads = $settle->file($item, $to, User::signedIn($request));
        if ($uploads === []) {
            return to_route('messages', $to)->with('told', "“{$item->subject}” is with the file’s messages.");
        }
        $refused = array_values(array_filter(array_map(static fn ($one) => $one->state === 'refused' ? $one->told : null, $uploads)));

        return to_route('files.show', $to)->with(
            $refused === [] ? 'told' : 'refused',
            $refused === []
                ? 'Filed here: '.implode(', ', array_map(static fn ($one) => $one->name, $uploads)).'.'
                : implode(' ', $refused),
        );
    }

    /** Several letters at once, each into the file that is proposed for it. */
    public function fileSeveral(Request $request, SettleMail $settle): RedirectResponse
    {
        Gate::authorize('inbox');
        $keys = $request->validate(
            ['items' => 'required|array|max:100', 'items.*' => 'string|max:26'],
            ['items.required' => 'Select at least one email first.'],
        )['items'];
        $filed = $left = 0;
        $items = InboundItem::query()->with('guess.members')->whereIn('key', $keys)->whereNull('settled_at')->orderBy('id')->get();
        foreach ($items as $item) {
            $to = Gate::allows('sort-item', $item) ? $item->guess : null;
            if ($to === null || Gate::denies('work-on', $to)) {
                $left++;

                continue;
            }
            $settle->file($item, $to, User::signedIn($request));
            $filed++;
        }
        $told = $filed === 1 ? 'Filed 1 email.' : "Filed {$filed} emails.";

        return to_route('inbox')->with(
            $left === 0 ? 'told' : 'refused',
            $left === 0 ? $told : "{$told} {$left} stay here: no file of yours is proposed for them.",
        );
    }

    /** A file that begins with what came. */
    public function open(Request $request, InboundItem $item, SettleMail $settle, TakeTerms $terms): RedirectResponse
    {
        Gate::authorize('sort-item', $item);
        Gate::authorize('open-files');
        $given = $request->validate([
            'represents' => 'required|in:buyer,seller,both,tenant,landlord',
            'kind' => 'nullable|in:sale,lease,referral',
        ]);
        $file = $settle->open(
            $item,
            User::signedIn($request),
            Representation::from($given['represents']),
            DealKind::from($given['kind'] ?? DealKind::Sale->value),
        );

        // A paper that says what the deal is comes first: its terms and people are there to be taken.
        $telling = $file->papers()->with(['latest', 'file.knownFacts', 'file.parties', 'file.papers'])->get()
            ->first(static fn (Paper $paper) => $terms->proposed($paper) !== []);

        return $telling === null ? to_route('files.opening', $file) : to_route('papers.show', $telling);
    }

    public function putAway(Request $request, InboundItem $item, SettleMail $settle): RedirectResponse
    {
        Gate::authorize('sort-item', $item);
        $settle->putAway($item, User::signedIn($request));

        return to_route('inbox')->with('told', "“{$item->subject}” was archived. You can bring it back for 90 days.");
    }

    public function bringBack(InboundItem $item, SettleMail $settle): RedirectResponse
    {
        Gate::authorize('sort-item', $item);
        $settle->bringBack($item);

        return to_route('inbox')->with('told', "“{$item->subject}” is back in the inbox.");
    }

    /** The message as it came. */
    public function original(InboundItem $item, Bytes $bytes): Response
    {
        Gate::authorize('sort-item', $item);

        return new Response($bytes->read($item->sha256), 200, [
            'Content-Type' => 'message/rfc822',
            'Content-Disposition' => 'attachment; filename="message.eml"',
            'Cache-Control' => 'private, no-store',
        ]);
    }

    /** What came along, as it came: nobody has looked into it, so no browser shows it. */
    public function attachment(InboundItem $item, int $place, Bytes $bytes, Converter $converter): Response|RedirectResponse
    {
        Gate::authorize('sort-item', $item);
        $one = $item->attachments[$place] ?? abort(404);
        $path = $bytes->path($one['sha256']);
        try {
            $converter->mustBeHarmless($path);
        } catch (BringRefused $why) {
            return to_route('inbox')->with('refused', "{$one['name']}: {$why->getMessage()}");
        }

        return BroughtKind::of($path) === BroughtKind::Pdf
            ? PdfAnswer::download($bytes->read($one['sha256']), pathinfo($one['name'], PATHINFO_FILENAME))
            : new Response($bytes->read($one['sha256']), 200, [
                'Content-Type' => 'application/octet-stream',
                'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._ -]+/', '_', $one['name']).'"',
                'Cache-Control' => 'private, no-store',
            ]);
    }

    /** The first page of it as a picture, or the photo itself made small. */
    public function picture(InboundItem $item, int $place, Bytes $bytes): Response
    {
        Gate::authorize('sort-item', $item);
        $one = $item->attachments[$place] ?? abort(404);
        $path = $bytes->path($one['sha256']);
        $kind = BroughtKind::of($path);
        if ($kind === BroughtKind::Jpeg || $kind === BroughtKind::Png) {
            try {
                return new Response(CameraTurn::small($path), 200, [
                    'Content-Type' => 'image/webp',
                    'Cache-Control' => 'private, max-age=31536000, immutable',
                ]);
            } catch (ToolFailed) {
                abort(404);
            }
        }
        abort_unless($kind === BroughtKind::Pdf, 404);

        return PageStore::send($path, $one['sha256'], 1);
    }

    private function fileOf(string $typed, InboundItem $item): DealFile
    {
        if ($typed === '') {
            return $item->guess ?? throw FileRefusal::NotAFileOfYours->because();
        }

        return CalledFile::find($typed);
    }
}
