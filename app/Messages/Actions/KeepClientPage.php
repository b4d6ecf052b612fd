<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\ClientPage;
use App\Models\DealFile;
use App\Models\Party;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\Messages\ClientView;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Parties\Side;
use Unanimus\Steps\StepRefused;

/** Turns a client's own page on and off. Turned on anew it has a new link; the old one opens nothing any more. */
final class KeepClientPage
{
    /**
     * @param bool $send whether the client gets the link by email
     *
     * @throws StepRefused when the person is none of our clients, or has no address to send it to
     */
    public function on(DealFile $file, Party $party, User $by, bool $send): ClientPage
    {
        ClientView::isFor($party->role, $file->represents, $file->kind) || throw MessageRefusal::NotOurClient->because(name: $party->name);
        $send && ($party->email ?? '') === '' && throw MessageRefusal::NoAddress->because(name: $party->name);
        // Turned on twice at the same moment it is on once.
        DB::table('parties')->where('id', $party->id)->lockForUpdate()->value('id');
        $page = ClientPage::query()->where('party_id', $party->id)->first();
        $isNew = $page === null || ! $page->is_on;
        $page ??= new ClientPage([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'party_id' => $party->id,
            'language' => $party->language,
            'side' => $file->represents->isBoth() ? $file->kind->side(Side::from($party->role->value)) : null,
        ]);
        if ($isNew) {
            $page->fill(['is_on' => true, 'user_id' => $by->id, 'link_version' => $page->exists ? $page->link_version + 1 : 1])->save();
            $this->tell($page, $party, 'Client page turned on');
        }
        $send && Post::ofFile(
            $file,
            "client:{$page->key}:{$page->link_version}",
            new Addressee($party->name, (string) $party->email),
            Wording::of('client_page', ['sender' => $by->name, 'file' => $file->name], language: $page->language),
            "client {$page->key}",
        );

        return $page;
    }

    public function off(ClientPage $page): void
    {
        if ($page->is_on) {
            $page->update(['is_on' => false]);
            $this->tell($page, $page->party, 'Client page turned off');
        }
    }

    private function tell(ClientPage $page, Party $party, string $what): void
    {
        History::add($page->brokerage_id, $page->deal_file_id, $what, ['person' => $party->name], SeenBy::side($page->side));
    }
}
