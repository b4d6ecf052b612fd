<?php

declare(strict_types=1);

namespace App\Demo;

use App\Files\MailAddress;
use App\History\History;
use App\Intake\Actions\TakeMail;
use App\Mail\Post;
use App\Messages\Actions\KeepClientPage;
use App\Messages\Actions\KeepFormLetters;
use App\Messages\Actions\KeepLetterRules;
use App\Messages\Actions\WriteMessage;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Message;
use App\Models\Office;
use App\Models\Party;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\SeenBy;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Messages\Recipient;

/** What the people of the scenario write to each other: letters of the office, a conversation in a file, a rule that is on. */
final class Talk
{
    private const LETTERS = [
        'Under contract: what happens now' => [
            'Under contract: {property.address}',
            "Dear {to.first},\n\nthe contract for {property.address} is signed by everyone. Closing is {closing}.\n\nThese come next: the ".
                'earnest money goes to the escrow holder, the inspection is arranged, and the lender hears from us. We tell you '.
                'before each of them what is asked of you.',
        ],
        'Closing is near' => [
            'Closing of {property.address}: {closing}',
            "Dear {to.first},\n\n{event}.\n\nPlease have your driver license or passport ready, and call us before you send money ".
                'anywhere: '.
                'we never send account numbers by email.',
        ],
        'Inspection is arranged' => [
            'Inspection of {property.address}',
            "Dear {to.first},\n\nThe inspector comes this week. It takes about three hours; come for the last one, ".
                'and bring your questions.',
        ],
    ];

    public function __construct(
        private readonly Story $story,
        private readonly KeepFormLetters $letters,
        private readonly KeepLetterRules $rules,
        private readonly WriteMessage $write,
        private readonly TakeMail $take,
        private readonly KeepClientPage $pages,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function lay(array $people): void
    {
        $this->story->at(-29, '8:10');
        Auth::setUser($people['ines']);
        foreach (self::LETTERS as $name => [$subject, $body]) {
            $kept[$name] = $this->letters->keep(null, $name, $subject, $body, false, null, $people['ines']);
        }
        $this->story->at(-20, '9:40');
        foreach (Office::query()->orderBy('name')->get() as $office) {
            $clients = [LetterAudience::OurClients];
            $near = $this->rules->add($office, $kept['Closing is near'], LetterEvent::Coming, 'closing', 3, $clients);
            $this->rules->add($office, $kept['Under contract: what happens now'], LetterEvent::Status, 'Under contract', 0, $clients);
            $office->name === 'Pellingford' && $this->rules->turn($near, true);
        }
        $this->conversation($people);
        $this->story->now();
        Auth::logout();
    }

    /** The buyers' answer, which comes by mail. */
    public function mail(int $brokerage): void
    {
        $letter = Sight::within($brokerage, static fn (): ?Letter => Letter::query()->whereNotNull('message_id')->orderBy('id')->first());
        if ($letter === null) {
            return;
        }
        $this->story->at(-5, '18:22');
        $id = hash('sha256', $letter->once_key).'@'.parse_url((string) config('app.url'), PHP_URL_HOST);
        ($this->take)(
            $brokerage,
            "From: {$letter->recipient_name} <{$letter->recipient}>\r\nTo: {$letter->reply_to}\r\nSubject: Re: {$letter->subject}\r\n".
                "Message-ID: <answer-1@mail.example>\r\nIn-Reply-To: <{$id}>\r\nContent-Type: text/plain; charset=utf-8\r\n\r\n".
                "We both come at eleven. Could he look at the chimney, too? The report of the sellers says nothing about it.\r\n",
        );
        $this->story->now();
    }

    /** @param  array<string, User>  $people */
    private function conversation(array $people): void
    {
        $file = DealFile::query()->with(['office', 'parties', 'members'])->where('name', 'like', '14 Lanternfish Lane%')->firstOrFail();
        $buyers = $file->parties->filter(static fn (Party $party) => $party->role->value === 'buyer' && $party->email !== null);
        $to = array_values($buyers->map(static fn (Party $party) => new Recipient($party->name, (string) $party->email, (string) $party
            ->seat()))
            ->all());
        $this->story->at(-6, '10:14');
        Auth::setUser($people['tomas']);
        $this->sent(
            $file,
            $people['tomas'],
            $to,
            'Inspection on Thursday',
            "Good morning,\n\nthe inspector comes on Thursday at nine. Come at eleven for the last hour, he then walks through the house ".
                "with you.\n\nTomás Reyes-Whitlock\nQuillmark Realty, Tidewick\n(555) 555-0115",
        );
        $this->pages->on($file->load('parties.contact'), $buyers->firstOrFail(), $people['tomas'], false);
        $this->story->at(-4, '9:05');
        Auth::setUser($people['wendell']);
        $this->write->note($file, $people['wendell'],
            'The mason’s bill for the chimney comes with the keys; I have put it on the checklist.');
        $this->story->at(-1, '17:31');
        Auth::setUser($people['tomas']);
        $draft = $this->write->begin($file, $people['tomas'], $to);
        $this->write->keep($draft, [
            'subject' => 'The week before closing on {closing}',
            'body' => "Dear {to.first},\n\nwe close on {closing}. Before that ",
        ]);
    }

    /** @param  list<Recipient>  $to */
    private function sent(DealFile $file, User $by, array $to, string $subject, string $body): void
    {
        $people = array_map(static fn (Recipient $one) => $one->toArray(), $to);
        $message = Message::create([
            'brokerage_id' => $file->brokerage_id,
            'deal_file_id' => $file->id,
            'user_id' => $by->id,
            'state' => 'sent',
            'subject' => $subject,
            'body' => $body,
            'recipients' => $people,
            'planned' => [['to' => $people, 'subject' => $subject, 'body' => $body]],
            'send_at' => now(),
            'sent_at' => now(),
        ]);
        if ($people !== []) {
            $with = ['message_id' => $message->id, 'reply_to' => MailAddress::of($file), 'sender_name' => $by->name];
            Post::message($file, "message:{$message->key}:0", $people, $subject, $body, $with);
            Letter::query()->where('message_id', $message->id)->update(['sent_at' => now()]);
        }
        $told = ['subject' => $subject, 'to' => implode(', ', array_column($people, 'name'))];
        History::add($file->brokerage_id, $file->id, 'Message sent', $told, SeenBy::everyone());
    }
}
