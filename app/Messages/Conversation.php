<?php

declare(strict_types=1);

namespace App\Messages;

use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Message;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What was written in a file, out and in, newest first, as far as a person may read it; and who has read what. */
final readonly class Conversation
{
    private const SHOWN = 200;

    /**
     * @param list<ConversationEntry> $entries
     * @param list<Message> $drafts one's own
     */
    private function __construct(public array $entries, public array $drafts)
    {
    }

    public static function of(DealFile $file, User $user, string $words = ''): self
    {
        $messages = Message::query()
            ->with(['writer', 'letters', 'answered'])
            ->where('deal_file_id', $file->id)
            ->when($words !== '', static fn ($all) => $all->whereRaw("(subject || ' ' || body || ' ' || recipients::text) ILIKE ?", [
                '%'.addcslashes($words, '%_\\').'%',
            ]))
            ->orderByDesc('id')
            ->limit(self::SHOWN)
            ->get();
        $mail = self::mail($file)
            ->when($words !== '', static fn ($all) => $all->whereRaw("(subject || ' ' || body || ' ' || sender) ILIKE ?", [
                '%'.addcslashes($words, '%_\\').'%',
            ]))
            ->orderByDesc('received_at')
            ->limit(self::SHOWN)
            ->get()
            ->filter(static fn (InboundItem $item) => $file->isOwnAffair($item->filed_side));
        $read = self::read($file);
        $entries = [];
        foreach ($messages->reject(static fn (Message $message) => $message->isDraft()) as $message) {
            $entries[] = ConversationEntry::written($message, array_values($read["message:{$message->id}"] ?? []));
        }
        foreach ($mail as $item) {
            $by = $read["mail:{$item->id}"] ?? [];
            $entries[] = ConversationEntry::received($item, array_values($by), ! isset($by[$user->id]));
        }
        usort($entries, static fn (ConversationEntry $a, ConversationEntry $b) => $b->at <=> $a->at);
        $drafts = $messages->filter(static fn (Message $message) => $message->isDraft() && $message->user_id === $user->id);

        return new self(array_slice($entries, 0, self::SHOWN), array_values($drafts->all()));
    }

    /** How many letters came in that a person has not read. */
    public static function unread(DealFile $file, User $user): int
    {
        return self::mail($file)
            ->whereNotExists(static fn ($look) => $look->from('message_looks')
                ->whereColumn('message_looks.deal_file_id', 'inbound_items.filed_into')
                ->whereRaw("message_looks.thing = 'mail:' || inbound_items.id")
                ->where('message_looks.user_id', $user->id))
            ->where(static fn ($own) => $own->whereNull('filed_side')->orWhereIn('filed_side', self::sides($file, $user)))
            ->count();
    }

    /** Notes that someone has read it. */
    public static function look(DealFile $file, User $user, string $thing): void
    {
        DB::table('message_looks')->insertOrIgnore([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'thing' => $thing,
            'user_id' => $user->id,
        ]);
    }

    /** @return list<string> names of who has read it */
    public static function readers(DealFile $file, string $thing): array
    {
        return array_values(self::read($file)[$thing] ?? []);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<InboundItem> what was filed in it */
    private static function mail(DealFile $file): \Illuminate\Database\Eloquent\Builder
    {
        return InboundItem::query()->where('filed_into', $file->id);
    }

    /** @return list<string> sides whose letters a person reads */
    private static function sides(DealFile $file, User $user): array
    {
        $sides = array_map(static fn ($side) => $side->value, $file->kind->sides());
        $own = $file->represents->isBoth() ? $file->sideOf($user) : null;

        return $own === null ? $sides : [$own->value];
    }

    /** @return array<string, array<int, string>> names of who has read it, by thing and person */
    private static function read(DealFile $file): array
    {
        $read = [];
        $looks = DB::table('message_looks')
            ->join('users', 'users.id', 'message_looks.user_id')
            ->where('message_looks.deal_file_id', $file->id)
            ->orderBy('message_looks.at')
            ->get(['thing', 'name', 'user_id']);
        foreach ($looks as $look) {
            $read[$look->thing][(int) $look->user_id] = $look->name;
        }

        return $read;
    }
}
