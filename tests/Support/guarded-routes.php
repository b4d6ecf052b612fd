<?php

declare(strict_types=1);

use App\Assembly\Actions\KeepReadingCopy;
use App\Assembly\Actions\KeepSet;
use App\Forms\Actions\KeepFillRequest;
use App\Intake\Actions\AskForPapers;
use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\JoinRequest;
use App\Models\Stack;
use App\Papers\SelectedPapers;
use App\Review\Actions\KeepRemarks;
use App\Review\Actions\ReadDrafts;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\GiveWorkingCopy;
use Illuminate\Support\Facades\Auth;
use Unanimus\Pages\SetOptions;

/**
 * Every route that names a file or something in one, with what to send it.
 *
 * @return array<string, array{string, string, array<string, mixed>}>
 */
function guardedRoutes(): array
{
    return [
        'see a file' => ['GET', '/files/{file}', []],
        'the opening sheet' => ['GET', '/files/{file}/opening', []],
        'set a term' => ['PUT', '/files/{file}/facts', ['name' => 'price', 'value' => '1']],
        'seat a person' => ['PUT', '/files/{file}/parties/buyer.1', ['name' => 'Intruder']],
        'bring a listing' => ['POST', '/files/{file}/listing', ['number' => 'TR-26-04182']],
        'mark a deadline' => ['POST', '/files/{file}/deadlines/inspection', []],
        'status' => ['POST', '/files/{file}/status', ['status' => 'terminated', 'reason' => 'x']],
        'log of a paper' => ['GET', '/papers/{paper}/log', []],
        'another revision' => ['GET', '/papers/{paper}/revision', []],
        'go over to another revision' => ['POST', '/papers/{paper}/revision', ['revision' => 'x', 'key' => 'intruder-1']],
        'write on a page' => [
            'POST',
            '/papers/{paper}/pieces',
            ['key' => 'intruder-1', 'kind' => 'tick', 'page' => 1, 'place' => ['1', '1', '9', '9']],
        ],
        'bring a state back' => ['POST', '/papers/{paper}/log', ['at' => 0, 'key' => 'intruder-1']],
        'submit several' => ['POST', '/files/{file}/submissions', ['papers' => ['{paperkey}']]],
        'what stands on a draft' => ['GET', '/rounds/{round}/drawn', []],
        'renew the mail address' => ['POST', '/files/{file}/mail-address', []],
        'let a practice go' => ['POST', '/files/{file}/let-go', []],
        'sort an upload' => ['POST', '/files/{file}/uploads/01ABCDEFGHJKMNPQRSTVWXYZ00/sort', []],
        'take a paper apart' => ['POST', '/papers/{paper}/sort', []],
        'a sorting table' => ['GET', '/stacks/{stack}', []],
        'how a stack lies' => ['GET', '/stacks/{stack}/table', []],
        'sort a stack' => ['POST', '/stacks/{stack}/steps', ['seen' => 0, 'do' => 'turn', 'pages' => ['1.1']]],
        'file a stack' => ['POST', '/stacks/{stack}/file', ['seen' => 0]],
        'a small page of a stack' => ['GET', '/stacks/{stack}/1/small/1.webp', []],
        'a page of a stack' => ['GET', '/stacks/{stack}/1/pages/1.webp', []],
        'ask for papers' => ['GET', '/files/{file}/ask-for', []],
        'send somebody for papers' => [
            'POST',
            '/files/{file}/paper-requests',
            ['others' => 'x', 'name' => 'x', 'last_day' => 'tomorrow'],
        ],
        'remind somebody of papers' => ['POST', '/paper-requests/{asking}/remind', []],
        'end asking for papers' => ['POST', '/paper-requests/{asking}/end', []],
        'what changed since review' => ['GET', '/review/{requirement}/changes', []],
        'a page as it was reviewed' => ['GET', '/review/{requirement}/before/1.webp', []],
        'email of a file' => ['GET', '/files/{file}/mail', []],
        'an email of a file' => ['GET', '/files/{file}/mail/{item}', []],
        'who has the signed papers' => ['GET', '/files/{file}/delivery', []],
        'note a delivery' => ['POST', '/files/{file}/delivery', ['party' => 'x', 'papers' => ['{paperkey}'], 'how' => 'hand']],
        'send what is missing' => ['POST', '/files/{file}/delivery/send', []],
        'put a signer in the file' => ['POST', '/rounds/{round}/signers/{signer}/into-file', []],
        'more of a line' => ['GET', '/requirements/{requirement}/more', []],
        'ask whether it applies' => ['POST', '/requirements/{requirement}/off', ['reason' => 'x']],
        'ask no more' => ['DELETE', '/requirements/{requirement}/off', []],
        'it applies' => ['POST', '/requirements/{requirement}/applies', ['reason' => 'x']],
        'one paper more' => ['POST', '/requirements/{requirement}/papers', ['paper' => '{paperkey}']],
        'one paper less' => ['DELETE', '/requirements/{requirement}/papers/{paper}', []],
        'done' => ['POST', '/papers/{paper}/done', []],
        'not done' => ['DELETE', '/papers/{paper}/done', []],
        'submit a stage' => ['POST', '/files/{file}/stages', []],
        'where the broker signs' => ['GET', '/requirements/{requirement}/countersign', []],
        'countersign' => ['POST', '/requirements/{requirement}/countersign', ['name' => 'x', 'initials' => 'x', 'agree' => '1']],
        'who can read drafts' => ['GET', '/files/{file}/readers', []],
        'have drafts read' => ['POST', '/files/{file}/reads', ['papers' => ['{paperkey}'], 'reader' => '{user}']],
        'read drafts' => ['GET', '/reads/{read}', []],
        'remark on a draft' => ['POST', '/reads/{read}/remarks', ['paper' => '{paperkey}', 'remark' => 'x']],
        'see to a remark on a draft' => ['POST', '/reads/{read}/remarks/{draftremark}', []],
        'have read drafts' => ['POST', '/reads/{read}/done', []],
        'another paper beside it' => ['GET', '/review/{requirement}/beside?of={paperkey}', []],
        'pass a review on' => ['POST', '/requirements/{requirement}/pass', []],
        'take a submission back' => ['POST', '/requirements/{requirement}/withdraw', []],
        'note a remark' => ['POST', '/requirements/{requirement}/remarks', ['remark' => 'x']],
        'confirm a finding' => ['POST', '/requirements/{requirement}/findings/0123456789abcdef', ['do' => 'remark']],
        'answer a remark' => ['POST', '/remarks/{remark}/answer', ['answer' => 'x']],
        'settle a remark' => ['POST', '/remarks/{remark}/settle', ['do' => 'resolve']],
        'the file book' => ['GET', '/files/{file}/book.pdf', []],
        'the file book as a folder' => ['GET', '/files/{file}/book.zip', []],
        'take terms from a paper' => ['POST', '/papers/{paper}/terms', ['take' => ['price']]],
        'look at an accepted paper again' => ['POST', '/requirements/{requirement}/spot', []],
        'begin a working copy' => ['GET', '/files/{file}/working-copies/begin?papers[]={paperkey}', []],
        'give a working copy' => [
            'POST',
            '/files/{file}/working-copies',
            ['papers' => ['{paperkey}'], 'name' => 'x', 'last_day' => 'tomorrow'],
        ],
        'see a working copy' => ['GET', '/working-copies/{work}', []],
        'end a working copy' => ['POST', '/working-copies/{work}/end', []],
        'what came back' => ['GET', '/working-copies/{work}/papers/{workpaper}/signed.pdf', []],
        'take what came back' => ['POST', '/working-copies/{work}/papers/{workpaper}/take', []],
        'leave what came back' => ['POST', '/working-copies/{work}/papers/{workpaper}/leave', []],
        'put papers into a file' => ['POST', '/files/{file}/put-into', ['to' => 'x']],
        'place uploads' => ['POST', '/files/{file}/placing', ['to' => ['x' => '']]],
        'apply an amendment' => ['POST', '/papers/{paper}/amendment', []],
        'file the listing' => ['POST', '/files/{file}/listing/sheet', []],
        'acceptance of a contract' => ['POST', '/files/{file}/acceptance', ['day' => '2026-11-20', 'time' => '16:10']],
        'order papers' => ['POST', '/files/{file}/order', ['papers' => ['{paperkey}']]],
        'tag papers' => ['POST', '/files/{file}/tags', ['papers' => ['{paperkey}'], 'tags' => 'x']],
        'assign papers' => ['POST', '/files/{file}/assign', ['papers' => ['{paperkey}']]],
        'remind of papers' => ['POST', '/files/{file}/reminders', ['papers' => ['{paperkey}']]],
        'mark facts as checked' => ['POST', '/files/{file}/checked-facts', ['facts' => ['property.parcel'], 'against' => 'x']],
        'see beside a paper' => ['GET', '/papers/{paper}/beside?of={paperkey}', []],
        'carry values over' => ['POST', '/papers/{paper}/carried', ['of' => '{paperkey}']],
        'use a client’s answers' => ['POST', '/papers/{paper}/answers', []],
        'papers in a ZIP' => ['POST', '/files/{file}/papers.zip', ['papers' => ['{paperkey}']]],
        'how a paper stands' => ['GET', '/papers/{paper}/standing', []],
        'who sees a paper, listed' => ['GET', '/papers/{paper}/who', []],
        'rename a paper' => ['PUT', '/papers/{paper}', ['title' => 'x', 'stage' => 'offer']],
        'replace a paper' => ['POST', '/papers/{paper}/versions', []],
        'change a signed paper' => ['POST', '/papers/{paper}/changes', []],
        'void a paper' => ['POST', '/papers/{paper}/void', ['reason' => 'x']],
        'who sees a paper' => ['POST', '/papers/{paper}/seen-by', ['staff' => '1']],
        'copy a paper' => ['POST', '/papers/{paper}/copy', ['to' => '{file}']],
        'a fillable PDF' => ['GET', '/papers/{paper}/fillable.pdf', []],
        'values as XFDF' => ['GET', '/papers/{paper}/values.xfdf', []],
        'take values' => ['POST', '/papers/{paper}/values', []],
        'fill requests' => ['GET', '/files/{file}/fill-requests', []],
        'ask to fill' => [
            'POST',
            '/files/{file}/fill-requests',
            ['to' => ['buyer.1'], 'papers' => ['{paperkey}'], 'last_day' => '2030-01-01'],
        ],
        'put answers away' => ['POST', '/fill-requests/{fill}/seen', []],
        'remind to fill' => ['POST', '/fill-requests/{fill}/remind', []],
        'take a fill request back' => ['POST', '/fill-requests/{fill}/take-back', []],
        'renew a fill request' => ['POST', '/fill-requests/{fill}/renew', ['last_day' => '2030-01-01']],
        'find forms' => ['GET', '/files/{file}/forms', []],
        'take a form' => ['POST', '/files/{file}/forms/M-207', ['what' => 'take']],
        'dates' => ['GET', '/files/{file}/dates', []],
        'shift preview' => ['GET', '/files/{file}/shift?anchor=closing&day=2026-12-20', []],
        'shift' => ['POST', '/files/{file}/shift', ['anchor' => 'closing', 'day' => '2026-12-20', 'reason' => 'x']],
        'date by hand' => ['PUT', '/files/{file}/dates/inspection', ['day' => '2026-12-01', 'reason' => 'x']],
        'let go of a refused upload' => ['DELETE', '/files/{file}/uploads/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'date back' => ['DELETE', '/files/{file}/dates/inspection', []],
        'calendar' => ['POST', '/files/{file}/calendar', []],
        'follow-on' => ['POST', '/files/{file}/follow-on', []],
        'labels' => ['PUT', '/files/{file}/labels', ['labels' => 'x']],
        'the listing' => ['GET', '/files/{file}/listing', []],
        'take facts over' => ['POST', '/files/{file}/listing/facts', ['facts' => ['property.zip']]],
        'take papers along' => ['POST', '/files/{file}/listing/papers', ['papers' => ['/x.pdf']]],
        'join' => ['POST', '/files/{file}/join/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'history of a file' => ['GET', '/files/{file}/history', []],
        'kits for a file' => ['GET', '/files/{file}/kits', []],
        'try a kit' => ['GET', '/files/{file}/kits/land-buyer', []],
        'apply a kit' => ['POST', '/files/{file}/kits/land-buyer', []],
        'parties in order' => ['POST', '/files/{file}/parties/buyer/order', ['keys' => ['01ABCDEFGHJKMNPQRSTVWXYZ00']]],
        'people as cards' => ['GET', '/files/{file}/people.vcf', []],
        'offers' => ['GET', '/files/{file}/offers', []],
        'record an offer' => ['POST', '/files/{file}/offers', ['buyers' => 'x', 'terms' => []]],
        'the net sheet' => ['GET', '/files/{file}/net', []],
        'task' => ['POST', '/files/{file}/tasks', ['title' => 'x']],
        'uploads under way' => ['GET', '/files/{file}/uploads', []],
        'one upload' => ['GET', '/files/{file}/uploads/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'a signed original' => ['GET', '/papers/{paper}/versions/01ABCDEFGHJKMNPQRSTVWXYZ00/original', []],
        'take a colleague off' => ['DELETE', '/files/{file}/members/{user}', []],
        'decide who joins' => ['POST', '/join-requests/{joining}', ['in' => 1]],
        'how a round stands' => ['GET', '/rounds/{round}/standing', []],
        'seal again' => ['POST', '/rounds/{round}/try-again', []],
        'bring in a paper' => ['POST', '/files/{file}/papers', []],
        'assemble' => ['POST', '/files/{file}/assembled', ['papers' => ['{paperkey}']]],
        'assembling' => ['GET', '/files/{file}/assembling', []],
        'put together' => ['POST', '/files/{file}/sets', ['papers' => ['{paperkey}']]],
        'a set' => ['GET', '/sets/{set}', []],
        'a set as PDF' => ['GET', '/sets/{set}/set.pdf', []],
        'give a reading copy' => ['POST', '/sets/{set}/reading-copies', ['name' => 'x', 'last_day' => '2030-01-01']],
        'end a reading copy' => ['POST', '/reading-copies/{copy}/end', []],
        'compose a round' => ['POST', '/files/{file}/rounds', ['papers' => ['{paperkey}']]],
        'see a paper' => ['GET', '/papers/{paper}', []],
        'store an entry' => ['POST', '/papers/{paper}/entries', ['blank' => 'buyers', 'value' => 'x', 'key' => 'intruder1']],
        'a page image' => ['GET', '/papers/{paper}/pages/1.webp', []],
        'a paper as PDF' => ['GET', '/papers/{paper}/pdf', []],
        'a paper as text' => ['GET', '/papers/{paper}/text', []],
        'see a round' => ['GET', '/rounds/{round}', []],
        'change a round' => ['PUT', '/rounds/{round}', ['message' => 'x']],
        'drop a round' => ['DELETE', '/rounds/{round}', []],
        'send a round' => ['POST', '/rounds/{round}/send', []],
        'recall a round' => ['POST', '/rounds/{round}/recall', []],
        'ask for a paper' => ['POST', '/rounds/{round}/asks', ['signer' => 'x', 'title' => 'Binder']],
        'ask for a paper no more' => ['DELETE', '/rounds/{round}/signers/{signer}/asks/01ABCDEFGHJKMNPQRSTVWXYZ00', []],
        'seat someone' => ['POST', '/rounds/{round}/people', ['role' => 'other', 'name' => 'Nils Ost']],
        'remind all' => ['POST', '/rounds/{round}/remind', []],
        'drop a signer' => ['DELETE', '/rounds/{round}/signers/{signer}', []],
        'remind a signer' => ['POST', '/rounds/{round}/signers/{signer}/remind', []],
        'a round\'s page image' => ['GET', '/rounds/{round}/papers/0/pages/1.webp', []],
        'place a mark' => ['POST', '/rounds/{round}/marks', ['key' => 'mark-key-1', 'do' => 'keep']],
        'add papers to a round' => ['POST', '/rounds/{round}/papers', ['papers' => ['{paperkey}']]],
        'put a round\'s papers in order' => ['PUT', '/rounds/{round}/papers', ['papers' => [0]]],
        'take a paper out of a round' => ['DELETE', '/rounds/{round}/papers/0', []],
        'keep a stencil' => ['POST', '/rounds/{round}/papers/0/stencil', ['name' => 'x', 'whose' => 'mine']],
        'put someone in a signer’s place' => [
            'PUT',
            '/rounds/{round}/signers/{signer}/person',
            ['name' => 'Intruder', 'email' => 'x@y.example'],
        ],
        'set an access code' => ['PUT', '/rounds/{round}/signers/{signer}/code', ['code' => 'INTRUDER']],
        'answer a signer' => ['POST', '/rounds/{round}/answers', ['asked' => 'x', 'answer' => 'x']],
        'send a forgotten paper' => ['POST', '/rounds/{round}/forgotten', ['paper' => '{paperkey}']],
        'ask someone to look first' => ['POST', '/rounds/{round}/lookers', ['seat' => 'buyer.1', 'part' => 'reads']],
        'rehearse a round' => ['POST', '/rounds/{round}/rehearsals', []],
        'part a round' => ['POST', '/rounds/{round}/parts', ['when' => 'signed']],
        'read a private entry' => ['POST', '/rounds/{round}/private/x', []],
        'print to sign on paper' => ['GET', '/rounds/{round}/pen.pdf', []],
        'add a scan signed on paper' => ['POST', '/rounds/{round}/pen', ['some' => ['x']]],
        'hand the device over' => ['POST', '/rounds/{round}/here', []],
        'correct a signer\'s address' => ['PUT', '/rounds/{round}/signers/{signer}', ['email' => 'x@y.example']],
        'move the last day of a round' => ['PUT', '/rounds/{round}/last-day', ['last_day' => '+30']],
        'start a round again' => ['POST', '/rounds/{round}/again', []],
        'look at a page of a round' => ['POST', '/rounds/{round}/looked', ['paper' => 0, 'page' => 1]],
        'how the places stand' => ['GET', '/rounds/{round}/marks', []],
        'lines of a page' => ['GET', '/rounds/{round}/papers/0/pages/1/places', []],
        'the sealed set' => ['GET', '/rounds/{round}/set.pdf', []],
        'review a requirement' => ['GET', '/review/{requirement}', []],
        'hand in' => ['POST', '/requirements/{requirement}/submit', []],
        'accept' => ['POST', '/requirements/{requirement}/accept', []],
        'send back' => ['POST', '/requirements/{requirement}/send-back', ['remark' => 'x']],
        'waive' => ['POST', '/requirements/{requirement}/waive', ['reason' => 'x']],
        'the commission sheet' => ['GET', '/files/{file}/commission', []],
        'set the commission' => ['PUT', '/files/{file}/commission', ['rate' => '3', 'agent_share' => '50']],
        'authorize' => ['POST', '/files/{file}/commission/authorize', []],
        'withdraw' => ['POST', '/files/{file}/commission/withdraw', ['why' => 'x']],
        'send the authorization' => ['POST', '/files/{file}/commission/send', ['name' => 'X', 'email' => 'x@x.example']],
        'escrow has it' => ['POST', '/files/{file}/commission/received', []],
        'what came in' => ['POST', '/files/{file}/commission/wired', ['amount' => '1']],
        'who was paid' => ['POST', '/files/{file}/commission/paid', ['payee' => 'x', 'amount' => '1', 'how' => 'check']],
        'not paid after all' => ['POST', '/files/{file}/commission/strike', ['payee' => 'x', 'why' => 'x']],
        'word the authorization' => ['PUT', '/files/{file}/commission/wording', ['text' => 'x']],
    ];
}

/** @return array<string, string> what the placeholders stand for */
function placesIn(DealFile $file): array
{
    $paper = $file->papers()->where('form_number', 'M-102')->firstOrFail();
    Auth::setUser(test()->people['tomas']);
    $round = app(ComposeRound::class)($file, [$paper], test()->people['tomas']);
    $fill = app(KeepFillRequest::class)->ask(
        $file->load(['office', 'knownFacts', 'parties', 'papers.values', 'members']),
        [['party' => $file->parties->firstOrFail(), 'email' => 'x@clients.example']],
        [$file->papers->firstWhere('form_number', 'M-201')],
        [],
        $file->office->today()->plusDays(5),
        '',
        test()->people['tomas'],
    )[0];
    $set = app(KeepSet::class)->begin($file, SelectedPapers::from($file, [$paper->key]), new SetOptions(), test()->people['tomas']);
    $copy = app(KeepReadingCopy::class)->give(
        $set->refresh()->load('file.office'),
        'Reader',
        '',
        $file->office->today()->plusDays(5),
        '',
        test()->people['tomas'],
    );
    $work = app(GiveWorkingCopy::class)->give(
        $file->load(['office', 'knownFacts', 'parties', 'members']),
        [$paper->load(['latest', 'values'])->setRelation('file', $file)],
        ['name' => 'Their agent', 'firm' => '', 'email' => '', 'message' => ''],
        $file->office->today()->plusDays(5),
        test()->people['tomas'],
    );
    $stack = Stack::create([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'user_id' => test()->people['tomas']->id,
        'name' => 'scan.pdf',
        'sources' => [['name' => 'scan.pdf', 'sha256' => str_repeat('0', 64), 'pages' => 2, 'first' => 1]],
        'ready_at' => now(),
    ]);
    $asking = app(AskForPapers::class)->ask(
        $file,
        [],
        ['Survey'],
        'Nadia',
        '',
        $file->office->today()->plusDays(5),
        '',
        test()->people['tomas'],
    );
    $requirement = $file->requirements()->firstOrFail();
    $remark = app(KeepRemarks::class)->note($requirement, test()->people['tomas'], 'Initials are missing.');
    $remark->update(['sent_at' => now()]);
    $tomas = test()->people['tomas'];
    $read = app(ReadDrafts::class)->ask($file->load('members'), [$paper], test()->people['wendell'], '', $tomas);
    $draftRemark = app(ReadDrafts::class)->note($read, $paper, $tomas, 'x', null, null);
    $item = InboundItem::create([
        'brokerage_id' => $file->brokerage_id,
        'message_id' => 'guarded@x.example',
        'sender' => 'Nadia',
        'subject' => 'About the house',
        'body' => '',
        'attachments' => [],
        'sha256' => str_repeat('0', 64),
        'filed_into' => $file->id,
        'received_at' => now(),
        'settled_at' => now(),
    ]);
    Auth::forgetGuards();

    $joining = JoinRequest::create([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'user_id' => test()->people['greta']->id,
        'state' => 'asked',
    ]);

    return [
        '{joining}' => $joining->key,
        '{user}' => test()->people['wendell']->key,
        '{set}' => $set->key,
        '{copy}' => $copy->key,
        '{work}' => $work->key,
        '{workpaper}' => $work->papers()->firstOrFail()->key,
        '{remark}' => $remark->key,
        '{read}' => $read->key,
        '{draftremark}' => $draftRemark->key,
        '{item}' => $item->key,
        '{asking}' => $asking->key,
        '{stack}' => $stack->key,
        '{fill}' => $fill->key,
        '{file}' => $file->key,
        '{paper}' => $paper->key,
        '{paperkey}' => $paper->key,
        '{round}' => $round->key,
        '{signer}' => $round->signers()->firstOrFail()->key,
        '{requirement}' => $file->requirements()->firstOrFail()->key,
    ];
}
