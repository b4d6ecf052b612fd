<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Models\DealFile;
use App\Models\Office;
use App\Models\ShelfItem;
use App\Models\ShelfVersion;
use App\Models\User;
use App\Papers\PdfAnswer;
use App\Shelf\Actions\KeepShelf;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Intake\Converter;

/** Documents and links that everybody uses: looked for, taken into files, kept by those who run an office and coordinators. */
final class ShelfController
{
    public function index(Request $request): View
    {
        Gate::authorize('shelf');
        $user = User::signedIn($request);
        $words = trim((string) $request->query('q', ''));

        return view('shelf.index', [
            'topics' => self::found($user, $words)->limit(500)->get()->groupBy('topic'),
            'words' => $words,
            'sheet' => ShelfItem::query()->where('user_id', $user->id)->first(),
            'looks' => DB::table('shelf_looks')->where('user_id', $user->id)->pluck('version', 'shelf_item_id'),
            'keeps' => Gate::allows('keep-shelf'),
            'offices' => Office::query()->orderBy('name')->get(),
            'away' => Gate::allows('keep-shelf') ? ShelfItem::query()->whereNotNull('put_away_at')->orderBy('title')->limit(200)->get()
                : [],
        ]);
    }

    public function show(Request $request, ShelfItem $item, KeepShelf $shelf): View
    {
        $user = self::maySee($item, $request);
        $shelf->look($item, $user);
        $keeps = Gate::allows('keep-shelf');

        return view('shelf.item', [
            'item' => $item,
            'user' => $user,
            'keeps' => $keeps,
            'versions' => $item->versions()->with('maker')->get(),
            'older' => KeepShelf::older($item),
            'files' => DealFile::query()->whereIn('status', ['preparing', 'active', 'under_contract'])->where('practice', false)
                ->orderBy('name')->limit(300)->get(),
        ]);
    }

    public function document(Request $request, ShelfItem $item, int $version, Bytes $bytes): Response
    {
        self::maySee($item, $request);
        $one = ShelfVersion::query()->where(['shelf_item_id' => $item->id, 'version' => $version])->whereNotNull('sha256')->firstOrFail();

        return PdfAnswer::of($bytes->read((string) $one->sha256), $item->title);
    }

    public function store(Request $request, KeepShelf $shelf): RedirectResponse
    {
        Gate::authorize('keep-shelf');
        $given = $request->validate([
            'title' => 'nullable|string|max:200',
            'topic' => 'nullable|string|max:100',
            'office' => 'nullable|string|size:26',
            'url' => 'nullable|string|max:600',
            'document' => 'nullable|file|max:'.(Converter::LARGEST / 1024),
        ]);
        $office = ($given['office'] ?? '') === '' ? null : Office::query()->where('key', $given['office'])->firstOrFail();
        $item = $shelf->put(
            User::signedIn($request),
            (string) ($given['title'] ?? ''),
            (string) ($given['topic'] ?? ''),
            $office,
            self::uploaded($request),
            (string) ($given['url'] ?? ''),
        );

        return to_route('shelf.show', $item)->with('told', 'It is on the shelf.');
    }

    public function renew(Request $request, ShelfItem $item, KeepShelf $shelf): RedirectResponse
    {
        self::maySee($item, $request);
        Gate::authorize('keep-shelf');
        $given = $request->validate([
            'note' => 'nullable|string|max:300',
            'seen' => 'required|integer',
            'document' => 'required|file|max:'.(Converter::LARGEST / 1024),
        ], ['document.required' => 'Choose the newer document.']);
        $shelf->renew($item, self::uploaded($request) ?? abort(422), (string) ($given['note'] ?? ''), (int) $given['seen'],
            User::signedIn($request));

        return to_route('shelf.show', $item)->with('told', 'The newer version is on the shelf.');
    }

    public function away(Request $request, ShelfItem $item, KeepShelf $shelf): RedirectResponse
    {
        self::maySee($item, $request);
        Gate::authorize('keep-shelf');
        $shelf->putAway($item, $request->boolean('away'));

        return to_route('shelf')->with('told', $request->boolean('away') ? 'Archived. Copies in files stay.' : 'It is on the shelf again.');
    }

    /** Into a file. */
    public function take(Request $request, ShelfItem $item, KeepShelf $shelf): RedirectResponse
    {
        self::maySee($item, $request);
        $given = $request->validate(['file' => 'required|string|size:26']);
        $file = DealFile::query()->with(['office', 'members'])->where('key', $given['file'])->firstOrFail();
        Gate::authorize('work-on', $file);
        $shelf->take($item, $file);

        return redirect()->to("/files/{$file->key}")->with('told', "“{$item->title}” is in the file.");
    }

    public function renewAll(Request $request, ShelfItem $item, KeepShelf $shelf): RedirectResponse
    {
        $user = self::maySee($item, $request);
        $count = $shelf->renewInFiles($item, $user);

        return to_route('shelf.show', $item)->with('told', $count === 1 ? 'One copy was renewed.' : "{$count} copies were renewed.");
    }

    /** What a file has in an older version, in that file. */
    public function renewIn(Request $request, DealFile $file, KeepShelf $shelf): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $user = User::signedIn($request);
        $count = 0;
        foreach (ShelfItem::query()->whereIn('id', ShelfItem::olderIn($file)->pluck('shelf_item_id'))->get() as $item) {
            $count += $shelf->renewInFiles($item, $user, $file);
        }

        return redirect()->to("/files/{$file->key}")
            ->with('told', $count === 1 ? 'One document was renewed.' : "{$count} documents were renewed.");
    }

    /** @return Builder<ShelfItem> */
    private static function found(User $user, string $words): Builder
    {
        $found = ShelfItem::inUse($user);
        foreach (array_slice(array_filter(explode(' ', mb_strtolower($words))), 0, 6) as $word) {
            $found->whereRaw("lower(title || ' ' || topic) LIKE ?", ['%'.addcslashes($word, '%_\\').'%']);
        }

        return $found;
    }

    private static function maySee(ShelfItem $item, Request $request): User
    {
        Gate::authorize('shelf');
        $user = User::signedIn($request);
        abort_unless($item->office_id === null || $user->officeRoles->contains('office_id', $item->office_id), 404);
        abort_unless($item->user_id === null || $item->user_id === $user->id, 404);

        return $user;
    }

    /** @return array{string, string}|null */
    private static function uploaded(Request $request): ?array
    {
        $one = $request->file('document');

        return $one instanceof UploadedFile ? [$one->getPathname(), $one->getClientOriginalName()] : null;
    }
}
