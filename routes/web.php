<?php

declare(strict_types=1);

use App\Access\Http\InOneTransaction;
use App\Access\Http\OnlyOperator;
use App\Access\Http\OnlyOwnDesk;
use App\Access\Http\OwesTwoSteps;
use App\Access\Http\SeesWhatItNames;
use App\Access\Http\SignInController;
use App\Api\Http\ConnectionsController;
use App\Assembly\Http\AssemblyController;
use App\Assembly\Http\DeliveryController;
use App\Assembly\Http\FileBookController;
use App\Assembly\Http\ReadingController;
use App\Assembly\Http\ReadingLink;
use App\Commission\Http\CommissionController;
use App\Commission\Http\DebtController;
use App\Commission\Http\DisbursementController;
use App\Commission\Http\OfficeFeesController;
use App\Commission\Http\PlanController;
use App\Commission\Http\PlanSheetController;
use App\Commission\Http\WordingController;
use App\Files\Http\AmendmentController;
use App\Files\Http\CalendarController;
use App\Files\Http\DatesController;
use App\Files\Http\FileController;
use App\Files\Http\ListingController;
use App\Files\Http\OfferController;
use App\Files\Http\OnlyOpenFiles;
use App\Files\Http\PartiesController;
use App\Files\Http\StatusController;
use App\Files\Http\TaskController;
use App\Forms\Http\FillController;
use App\Forms\Http\FillLink;
use App\Forms\Http\FillRequestController;
use App\Forms\Http\OwnFormController;
use App\Help\Http\HelpController;
use App\Intake\Http\BringController;
use App\Intake\Http\BringLink;
use App\Intake\Http\FiledMailController;
use App\Intake\Http\InboxController;
use App\Intake\Http\MailController;
use App\Intake\Http\StackController;
use App\Messages\Http\ClientLink;
use App\Messages\Http\ClientPageController;
use App\Messages\Http\FormLetterController;
use App\Messages\Http\LetterRuleController;
use App\Messages\Http\MessageController;
use App\Messages\Http\NoMoreController;
use App\Moving\Http\FolderController;
use App\Moving\Http\ImportController;
use App\Moving\Http\ParcelController;
use App\Notices\Http\NoticeController;
use App\Office\Http\AccountController;
use App\Office\Http\CompanySignInController;
use App\Office\Http\HealthController;
use App\Office\Http\MembersController;
use App\Office\Http\OfficeController;
use App\Office\Http\PasswordController;
use App\Office\Http\PeopleController;
use App\Office\Http\PermissionController;
use App\Overview\Http\FilePageController;
use App\Overview\Http\FindController;
use App\Overview\Http\TodayController;
use App\Papers\Http\ArrangeController;
use App\Papers\Http\BesideController;
use App\Papers\Http\CareController;
use App\Papers\Http\FormsController;
use App\Papers\Http\LayerController;
use App\Papers\Http\ListingPapersController;
use App\Papers\Http\LogController;
use App\Papers\Http\PaperController;
use App\Papers\Http\PlacingController;
use App\Reports\Http\KeptReportController;
use App\Reports\Http\ReportController;
use App\Reports\Http\StatementController;
use App\Requirements\Http\KitController;
use App\Requirements\Http\RuleController;
use App\Retention\Http\KeepingController;
use App\Retention\Http\RetentionController;
use App\Review\Http\ChecklistController;
use App\Review\Http\DraftReadController;
use App\Review\Http\KeptSentenceController;
use App\Review\Http\RemarkController;
use App\Review\Http\ReviewController;
use App\Roster\Http\CoverController;
use App\Roster\Http\RosterController;
use App\Roster\Http\RosterKitController;
use App\Running\Http\MetricsController;
use App\Running\Http\RunningController;
use App\Running\Http\SetupController;
use App\Shelf\Http\SheetController;
use App\Shelf\Http\ShelfController;
use App\Signing\Http\AskedPapersController;
use App\Signing\Http\ChangeController;
use App\Signing\Http\CountersignController;
use App\Signing\Http\InPersonController;
use App\Signing\Http\LoosePapersController;
use App\Signing\Http\MarksController;
use App\Signing\Http\MendingController;
use App\Signing\Http\PenController;
use App\Signing\Http\ProofController;
use App\Signing\Http\ReminderController;
use App\Signing\Http\RoundController;
use App\Signing\Http\RoundPapersController;
use App\Signing\Http\RoundPeopleController;
use App\Signing\Http\SignController;
use App\Signing\Http\SignerHelpController;
use App\Signing\Http\SignerLink;
use App\Signing\Http\SignPagesController;
use App\Signing\Http\StencilController;
use App\Signing\Http\WorkController;
use App\Signing\Http\WorkingCopyController;
use App\Signing\Http\WorkLink;
use Illuminate\Support\Facades\Route;

// A number in an address is one that a column can hold, else there is nothing there.
Route::pattern('page', '\d{1,4}');
Route::pattern('position', '\d{1,4}');
Route::pattern('place', '\d{1,4}');

Route::withoutMiddleware('web')->group(static function (): void {
    Route::get('/up', HealthController::class)->name('up');
    Route::get('/metrics', MetricsController::class)->name('metrics')->middleware(OnlyOperator::class);
    Route::post('/intake/mail', MailController::class)->name('intake.mail')->middleware('throttle:links');
    Route::post('/no-more', [NoMoreController::class, 'store'])->name('no-more.store')->middleware('throttle:links');
});

Route::middleware('throttle:links')
    ->withoutMiddleware('web')
    ->prefix('/calendar')
    ->group(static function (): void {
        Route::get('/file/{key}/{proof}.ics', [CalendarController::class, 'file'])->name('calendar.file')->where([
            'key' => '[0-9A-Z]{26}',
            'proof' => '[0-9a-f]{40}',
        ]);
        Route::get('/person/{key}/{proof}.ics', [CalendarController::class, 'person'])->name('calendar.person')->where([
            'key' => '[0-9A-Z]{26}',
            'proof' => '[0-9a-f]{40}',
        ]);
    });

Route::middleware('guest')->group(static function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store'])->name('sign-in.store')
        ->middleware('throttle:sign-in')
        ->withoutMiddleware(InOneTransaction::class);
});

Route::middleware('guest')->group(static function (): void {
    Route::get('/sign-in/code', [SignInController::class, 'code'])->name('sign-in.code');
    Route::post('/sign-in/code', [SignInController::class, 'second'])->name('sign-in.code.store')
        ->middleware('throttle:second-factor')
        ->withoutMiddleware(InOneTransaction::class);
    Route::get('/sign-in/forgot', [PasswordController::class, 'forgot'])->name('password.forgot');
    Route::post('/sign-in/forgot', [PasswordController::class, 'ask'])->name('password.ask')
        ->middleware('throttle:sign-in')
        ->withoutMiddleware(InOneTransaction::class);
    Route::get('/password/{key}/{until}/{proof}', [PasswordController::class, 'show'])->name('password.show')
        ->middleware('throttle:links')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}']);
    Route::post('/password/{key}/{until}/{proof}', [PasswordController::class, 'store'])->name('password.store')
        ->middleware('throttle:sign-in')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}'])
        ->withoutMiddleware(InOneTransaction::class);
    Route::post('/sign-in/company', [CompanySignInController::class, 'begin'])->name('sign-in.company')
        ->middleware('throttle:sign-in')
        ->withoutMiddleware(InOneTransaction::class);
    Route::get('/sign-in/company/back', [CompanySignInController::class, 'back'])->name('sign-in.company.back')
        ->middleware('throttle:links')
        ->withoutMiddleware(InOneTransaction::class);
    Route::get('/invitation/{key}/{until}/{proof}', [PeopleController::class, 'invitation'])->name('invitation.show')
        ->middleware('throttle:links')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}']);
    Route::post('/invitation/{key}/{until}/{proof}', [PeopleController::class, 'takeUp'])->name('invitation.store')
        ->middleware('throttle:sign-in')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}'])
        ->withoutMiddleware(InOneTransaction::class);
});

Route::get('/sign-in/standing', [SignInController::class, 'standing'])->name('sign-in.standing');

Route::get('/no-more', [NoMoreController::class, 'show'])->name('no-more')->middleware('throttle:links');
Route::get('/proof', [ProofController::class, 'show'])->name('proof')->middleware('throttle:links');
Route::post('/proof', [ProofController::class, 'check'])->name('proof.check')->middleware('throttle:proof');

Route::prefix('/sign/{token}')
    ->middleware(['throttle:links', SignerLink::class])
    ->group(static function (): void {
        Route::get('/', [SignController::class, 'show'])->name('sign');
        Route::post('/language', [SignController::class, 'language'])->name('sign.language');
        Route::post('/opened', [SignController::class, 'opened'])->name('sign.opened');
        Route::post('/consent', [SignController::class, 'consent'])->name('sign.consent');
        Route::post('/adopt', [SignController::class, 'adopt'])->name('sign.adopt');
        Route::post('/picture', [SignController::class, 'picture'])->name('sign.picture')->middleware('throttle:pictures');
        Route::post('/adopt-again', [SignController::class, 'adoptAgain'])->name('sign.adopt-again');
        Route::post('/marks/{key}', [SignController::class, 'mark'])->name('sign.marks');
        Route::delete('/marks/{key}', [SignController::class, 'clear'])->name('sign.marks.clear');
        Route::post('/asks/{key}', [AskedPapersController::class, 'add'])->name('sign.asks')->middleware('throttle:pictures');
        Route::post('/finish', [SignController::class, 'finish'])->name('sign.finish');
        Route::post('/decline', [SignController::class, 'decline'])->name('sign.decline');
        Route::post('/code', [SignerHelpController::class, 'code'])->name('sign.code')->middleware('throttle:codes');
        Route::post('/refer', [SignerHelpController::class, 'refer'])->name('sign.refer')->middleware('throttle:questions');
        Route::post('/ask', [SignController::class, 'ask'])->name('sign.ask')->middleware('throttle:questions');
        Route::get('/papers/{position}/pages/{page}.webp', [SignPagesController::class, 'image'])->name('sign.papers.pages');
        Route::get('/papers/{position}/text', [SignPagesController::class, 'text'])->name('sign.papers.text')->where('position', '\d{1,3}');
        Route::get('/to-sign.pdf', [SignPagesController::class, 'toSign'])->name('sign.to-sign-pdf');
        Route::get('/set.pdf', [SignPagesController::class, 'set'])->name('sign.set-pdf');
        Route::get('/sealed/{position}.pdf', [SignPagesController::class, 'sealed'])->name('sign.sealed-pdf');
    });

Route::prefix('/fill/{token}')
    ->middleware(['throttle:links', FillLink::class])
    ->group(static function (): void {
        Route::get('/', [FillController::class, 'show'])->name('fill');
        Route::get('/questions/{number}', [FillController::class, 'question'])->name('fill.questions.show')->where('number', '\d{1,6}');
        Route::post('/questions/{number}', [FillController::class, 'answerQuestion'])
            ->name('fill.questions.store')
            ->where('number', '\d{1,6}');
        Route::get('/papers/{paperkey}', [FillController::class, 'paper'])->name('fill.papers.show');
        Route::post('/papers/{paperkey}/entries', [FillController::class, 'entry'])->name('fill.papers.entries');
        Route::get('/papers/{paperkey}/pages/{page}.webp', [FillController::class, 'image'])->name('fill.papers.pages');
        Route::post('/language', [FillController::class, 'language'])->name('fill.language');
        Route::post('/opened', [FillController::class, 'opened'])->name('fill.opened');
        Route::post('/finish', [FillController::class, 'finish'])->name('fill.finish');
        Route::post('/another', [FillController::class, 'another'])->name('fill.another');
    });

Route::prefix('/read/{token}')
    ->middleware(['throttle:links', ReadingLink::class])
    ->group(static function (): void {
        Route::get('/', [ReadingController::class, 'show'])->name('read');
        Route::get('/pages/{page}.webp', [ReadingController::class, 'image'])->name('read.pages');
        Route::get('/text', [ReadingController::class, 'text'])->name('read.text');
        Route::get('/set.pdf', [ReadingController::class, 'pdf'])->name('read.set-pdf');
        Route::post('/language', [ReadingController::class, 'language'])->name('read.language');
        Route::post('/opened', [ReadingController::class, 'opened'])->name('read.opened');
    });

Route::prefix('/client/{token}')
    ->middleware(['throttle:links', ClientLink::class])
    ->group(static function (): void {
        Route::get('/', [ClientPageController::class, 'show'])->name('client');
        Route::post('/language', [ClientPageController::class, 'language'])->name('client.language');
        Route::post('/opened', [ClientPageController::class, 'opened'])->name('client.opened');
        Route::get('/signed/{round}.pdf', [ClientPageController::class, 'signed'])->name('client.signed');
    });

Route::prefix('/bring/{token}')
    ->middleware(['throttle:links', BringLink::class])
    ->group(static function (): void {
        Route::get('/', [BringController::class, 'show'])->name('bring');
        Route::post('/papers', [BringController::class, 'bring'])->name('bring.papers')->middleware('throttle:pictures');
        Route::post('/language', [BringController::class, 'language'])->name('bring.language');
        Route::post('/opened', [BringController::class, 'opened'])->name('bring.opened');
    });

Route::prefix('/work/{token}')
    ->middleware(['throttle:links', WorkLink::class])
    ->group(static function (): void {
        Route::get('/', [WorkController::class, 'show'])->name('work');
        Route::get('/papers/{paperkey}', [WorkController::class, 'paper'])->name('work.papers.show');
        Route::get('/papers/{paperkey}/pages/{page}.webp', [WorkController::class, 'image'])->name('work.papers.pages');
        Route::get('/papers/{paperkey}/paper.pdf', [WorkController::class, 'pdf'])->name('work.papers.pdf');
        Route::post('/opened', [WorkController::class, 'opened'])->name('work.opened');
        Route::post('/rounds', [WorkController::class, 'sign'])->name('work.rounds');
        Route::post('/rounds/{roundkey}', [WorkController::class, 'enter'])->name('work.rounds.enter');
    });

Route::get('/how-signing-works', [HelpController::class, 'signing'])->name('help.signing');

$signedIn = ['auth', OwesTwoSteps::class, OnlyOwnDesk::class, SeesWhatItNames::class, OnlyOpenFiles::class];

Route::middleware($signedIn)->group(static function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy'])->name('sign-out');
    Route::post('/sign-out/everywhere', [AccountController::class, 'everywhere'])->name('sign-out.everywhere');
    Route::put('/password', [AccountController::class, 'password'])->name('password.update')->middleware('throttle:password');

    Route::get('/me', [AccountController::class, 'show'])->name('me');
    Route::post('/me/mail-address', [AccountController::class, 'renewMail'])->name('me.mail-address');
    Route::post('/me/keys', [AccountController::class, 'keys'])->name('me.keys');
    Route::post('/me/second-factor', [AccountController::class, 'prepare'])->name('me.second-factor')->middleware('throttle:second-factor');
    Route::get('/me/second-factor.svg', [AccountController::class, 'picture'])->name('me.second-factor-svg');
    Route::post('/me/second-factor/on', [AccountController::class, 'turnOn'])
        ->name('me.second-factor.on')
        ->middleware('throttle:second-factor');
    Route::delete('/me/second-factor', [AccountController::class, 'turnOff'])
        ->name('me.second-factor.destroy')
        ->middleware('throttle:second-factor');
    Route::delete('/me/sessions/{hash}', [AccountController::class, 'endSession'])->name('me.sessions.destroy');
    Route::delete('/me/remembered/{device}', [AccountController::class, 'forget'])->name('me.remembered.destroy');
    Route::post('/people', [PeopleController::class, 'invite'])->name('people.store');
    Route::post('/people/list', [PeopleController::class, 'inviteMany'])->name('people.list');
    Route::get('/people/{user}', [PeopleController::class, 'show'])->name('people.show');
    Route::post('/people/{user}/invitation', [PeopleController::class, 'again'])->name('people.invitation');
    Route::put('/people/{user}/roles', [PeopleController::class, 'roles'])->name('people.roles.update');
    Route::post('/people/{user}/active', [PeopleController::class, 'active'])->name('people.active');
    Route::post('/offices', [PeopleController::class, 'openOffice'])->name('offices.store');
    Route::post('/offices/{office}/forms/{number}', [PeopleController::class, 'prefer'])
        ->name('offices.forms')
        ->where('number', '[A-Z]{1,3}-\d{1,4}');
    Route::put('/offices/{office}', [PeopleController::class, 'office'])->name('offices.update');

    Route::get('/', TodayController::class)->name('today');

    Route::get('/files', [FindController::class, 'index'])->name('files.index');
    Route::post('/files.zip', [FolderController::class, 'store'])->name('files-zip');
    Route::match(['get', 'post'], '/files.csv', [FindController::class, 'csv'])->name('files-csv');
    Route::get('/find', [FindController::class, 'complete'])->name('find');
    Route::post('/views', [FindController::class, 'keep'])->name('views.store');
    Route::delete('/views/{view}', [FindController::class, 'drop'])->name('views.destroy');
    Route::get('/open', [FileController::class, 'create'])->name('open');
    Route::get('/listings', [FileController::class, 'listings'])->name('listings');
    Route::post('/practice', [FileController::class, 'practise'])->name('practice');
    Route::post('/files/{file}/mail-address', [CalendarController::class, 'renewMail'])->name('files.mail-address');
    Route::post('/files/{file}/let-go', [FileController::class, 'letGo'])->name('files.let-go')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files', [FileController::class, 'store'])->name('files.store');
    Route::get('/files/{file}', [FilePageController::class, 'show'])->name('files.show');
    Route::get('/files/{file}/messages', [MessageController::class, 'index'])->name('messages');
    Route::get('/files/{file}/unread', [MessageController::class, 'unread'])->name('messages.unread');
    Route::withoutMiddleware(OnlyOpenFiles::class)->group(static function (): void {
        Route::post('/files/{file}/messages', [MessageController::class, 'store'])->name('messages.store');
        Route::post('/files/{file}/notes', [MessageController::class, 'note'])->name('messages.note');
        Route::post('/files/{file}/messages/{message}/keep', [MessageController::class, 'update'])->name('messages.update');
        Route::post('/files/{file}/messages/{message}/send', [MessageController::class, 'send'])->name('messages.send');
        Route::post('/files/{file}/messages/{message}/stop', [MessageController::class, 'stop'])->name('messages.stop');
        Route::delete('/files/{file}/messages/{message}', [MessageController::class, 'destroy'])->name('messages.destroy');
    });
    Route::get('/files/{file}/clients', [ClientPageController::class, 'index'])->name('clients');
    Route::post('/files/{file}/clients/{party}', [ClientPageController::class, 'turn'])->name('clients.turn')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/messages/{message}', [MessageController::class, 'show'])->name('messages.show');
    Route::get('/files/{file}/mail/{item}', [FiledMailController::class, 'show'])->name('files.mail.show');
    Route::get('/files/{file}/history', [FilePageController::class, 'history'])->name('files.history');
    Route::get('/files/{file}/opening', [FileController::class, 'opening'])->name('files.opening');
    Route::put('/files/{file}/facts', [FileController::class, 'setFact'])->name('files.facts.update');
    Route::post('/files/{file}/parties/{role}/order', [PartiesController::class, 'order'])->name('files.parties.order');
    Route::get('/files/{file}/people.vcf', [PartiesController::class, 'ofFile'])->name('files.people-vcf');
    Route::get('/contacts', [PartiesController::class, 'book'])->name('contacts.index');
    Route::post('/contacts', [PartiesController::class, 'store'])->name('contacts.store');
    Route::get('/contacts.vcf', [PartiesController::class, 'export'])->name('contacts-vcf');
    Route::get('/contacts/propose', [PartiesController::class, 'propose'])->name('contacts.propose');
    Route::post('/contacts/cards', [PartiesController::class, 'import'])->name('contacts.cards');
    Route::delete('/contacts/{contact}', [PartiesController::class, 'drop'])->name('contacts.destroy');
    Route::put('/files/{file}/parties/{seat}', [FileController::class, 'setParty'])->name('files.parties.update');
    Route::post('/files/{file}/listing', [FileController::class, 'bringListing'])->name('files.listing.store');
    Route::get('/files/{file}/listing', [ListingController::class, 'show'])->name('files.listing');
    Route::post('/files/{file}/listing/sheet', [ListingController::class, 'file'])->name('files.listing.sheet');
    Route::post('/files/{file}/checked-facts', [ListingController::class, 'check'])->name('files.checked-facts');
    Route::post('/files/{file}/listing/facts', [ListingController::class, 'take'])->name('files.listing.facts');
    Route::post('/files/{file}/listing/papers', [ListingPapersController::class, 'store'])->name('files.listing.papers');
    Route::post('/files/{file}/join/{twin}', [MembersController::class, 'ask'])->name('files.join');
    Route::post('/join-requests/{joining}', [MembersController::class, 'decide'])->name('join-requests');
    Route::delete('/files/{file}/members/{user}', [MembersController::class, 'remove'])
        ->name('files.members.destroy')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/deadlines/{name}', [FileController::class, 'deadline'])->name('files.deadlines');
    Route::get('/files/{file}/dates', [DatesController::class, 'show'])->name('files.dates.index');
    Route::get('/files/{file}/shift', [DatesController::class, 'preview'])->name('files.shift');
    Route::post('/files/{file}/shift', [DatesController::class, 'move'])->name('files.shift.store');
    Route::put('/files/{file}/dates/{name}', [DatesController::class, 'setByHand'])->name('files.dates.update');
    Route::delete('/files/{file}/dates/{name}', [DatesController::class, 'bringBack'])->name('files.dates.destroy');
    Route::post('/files/{file}/calendar', [CalendarController::class, 'renewFile'])
        ->name('files.calendar')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/calendar', [CalendarController::class, 'renewOwn'])->name('calendar');
    Route::post('/files/{file}/status', [StatusController::class, 'move'])->name('files.status')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/follow-on', [StatusController::class, 'followOn'])
        ->name('files.follow-on')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::put('/files/{file}/labels', [StatusController::class, 'labels'])
        ->name('files.labels.update')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/labels', [StatusController::class, 'labelMany'])->name('labels');

    Route::get('/files/{file}/offers', [OfferController::class, 'index'])->name('files.offers.index');
    Route::post('/files/{file}/offers', [OfferController::class, 'store'])->name('files.offers.store');
    Route::put('/files/{file}/offers/{offer}', [OfferController::class, 'update'])->name('files.offers.update');
    Route::get('/files/{file}/net', [OfferController::class, 'net'])->name('files.net');
    Route::get('/imports', [ImportController::class, 'index'])->name('imports.index');
    Route::post('/imports', [ImportController::class, 'store'])->name('imports.store');
    Route::get('/imports/{import}', [ImportController::class, 'show'])->name('imports.show');
    Route::put('/imports/{import}/try', [ImportController::class, 'try'])->name('imports.try.update');
    Route::post('/imports/{import}/start', [ImportController::class, 'start'])->name('imports.start');
    Route::get('/imports/{import}/progress', [ImportController::class, 'progress'])->name('imports.progress');
    Route::post('/imports/{import}/rows/{number}', [ImportController::class, 'anyway'])->name('imports.rows')->where('number', '\d{1,6}');
    Route::get('/imports/{import}/left.csv', [ImportController::class, 'left'])->name('imports.left-csv');
    Route::get('/imports/{import}/papers', [ParcelController::class, 'show'])->name('imports.papers.index');
    Route::get('/imports/{import}/papers/progress', [ParcelController::class, 'progress'])->name('imports.papers.progress');
    Route::get('/imports/{import}/papers.csv', [ParcelController::class, 'report'])->name('imports.papers-csv');
    Route::put('/imports/{import}/folders', [ParcelController::class, 'folder'])->name('imports.folders.update');
    Route::post('/imports/{import}/papers', [ParcelController::class, 'goOn'])->name('imports.papers');
    Route::post('/imports/{import}/people', [ParcelController::class, 'people'])->name('imports.people');
    Route::get('/tasks', [TaskController::class, 'index'])->name('tasks');
    Route::post('/tasks', [TaskController::class, 'mark'])->name('tasks.store');
    Route::post('/files/{file}/tasks', [TaskController::class, 'store'])->name('files.tasks')->withoutMiddleware(OnlyOpenFiles::class);

    Route::get('/files/{file}/fill-requests', [FillRequestController::class, 'index'])->name('files.fill-requests');
    Route::post('/files/{file}/fill-requests', [FillRequestController::class, 'store'])->name('files.fill-requests.store');
    Route::post('/fill-requests/{fill}/seen', [FillRequestController::class, 'seen'])
        ->name('fill-requests.seen')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/fill-requests/{fill}/remind', [FillRequestController::class, 'remind'])->name('fill-requests.remind');
    Route::post('/fill-requests/{fill}/take-back', [FillRequestController::class, 'takeBack'])
        ->name('fill-requests.take-back')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/fill-requests/{fill}/renew', [FillRequestController::class, 'renew'])->name('fill-requests.renew');
    Route::get('/own-forms', [OwnFormController::class, 'index'])->name('own-forms.index');
    Route::post('/own-forms', [OwnFormController::class, 'store'])->name('own-forms.store');
    Route::get('/own-forms/{own}', [OwnFormController::class, 'show'])->name('own-forms.show');
    Route::post('/own-forms/{own}/changes', [OwnFormController::class, 'change'])->name('own-forms.changes');
    Route::get('/own-forms/{own}/pages/{page}.webp', [OwnFormController::class, 'image'])->name('own-forms.pages');
    Route::get('/own-forms/{own}/try', [OwnFormController::class, 'tryOn'])->name('own-forms.try');
    Route::post('/own-forms/{own}/try', [OwnFormController::class, 'printTrial'])->name('own-forms.try.store');
    Route::post('/own-forms/{own}/in-force', [OwnFormController::class, 'putInForce'])->name('own-forms.in-force');
    Route::post('/own-forms/{own}/revise', [OwnFormController::class, 'revise'])->name('own-forms.revise');
    Route::post('/own-forms/{own}/retired', [OwnFormController::class, 'toggleRetired'])->name('own-forms.retired');
    Route::delete('/own-forms/{own}', [OwnFormController::class, 'drop'])->name('own-forms.destroy');
    Route::get('/files/{file}/forms', [FormsController::class, 'index'])->name('files.forms.index');
    Route::post('/files/{file}/forms/{number}', [FormsController::class, 'take'])
        ->name('files.forms')
        ->where('number', '[A-Z]{1,3}-\d{1,4}');
    Route::post('/files/{file}/papers', [PaperController::class, 'bring'])->name('files.papers')->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/uploads', [PaperController::class, 'uploads'])->name('files.uploads.index');
    Route::post('/files/{file}/acceptance', [StatusController::class, 'accept'])->name('files.acceptance');
    Route::post('/files/{file}/order', [ArrangeController::class, 'order'])->name('files.order');
    Route::post('/files/{file}/tags', [ArrangeController::class, 'tag'])->name('files.tags')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/assign', [ArrangeController::class, 'assign'])
        ->name('files.assign')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/loose-papers', [LoosePapersController::class, 'store'])->name('loose-papers.store');
    Route::post('/files/{file}/put-into', [LoosePapersController::class, 'put'])->name('files.put-into');
    Route::post('/files/{file}/reminders', [ReminderController::class, 'store'])->name('files.reminders');
    Route::post('/files/{file}/placing', [PlacingController::class, 'store'])
        ->name('files.placing')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::delete('/files/{file}/uploads/{upload}', [PaperController::class, 'letGo'])
        ->name('files.uploads.destroy')
        ->where('upload', '[\w:-]{8,60}')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/uploads/{upload}', [PaperController::class, 'upload'])
        ->name('files.uploads.show')
        ->where('upload', '[\w:-]{8,60}');
    Route::match(['get', 'post'], '/files/{file}/assembled', [AssemblyController::class, 'print'])
        ->name('files.assembled')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/book.pdf', [FileBookController::class, 'pdf'])->name('files.book-pdf');
    Route::get('/files/{file}/book.zip', [FileBookController::class, 'folder'])->name('files.book-zip');
    Route::post('/files/{file}/papers.zip', [AssemblyController::class, 'zip'])
        ->name('files.papers-zip')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::match(['get', 'post'], '/files/{file}/assembling', [AssemblyController::class, 'compose'])
        ->name('files.assembling')
        ->withoutMiddleware(
            OnlyOpenFiles::class,
        );
    Route::match(['get', 'post'], '/files/{file}/working-copies/begin', [WorkingCopyController::class, 'begin'])
        ->name('files.working-copies.begin');
    Route::match(['get', 'post'], '/files/{file}/ask-for', [BringController::class, 'begin'])->name('files.ask-for');
    Route::post('/files/{file}/paper-requests', [BringController::class, 'store'])->name('files.paper-requests');
    Route::post('/paper-requests/{asking}/remind', [BringController::class, 'remind'])->name('paper-requests.remind');
    Route::post('/paper-requests/{asking}/end', [BringController::class, 'end'])
        ->name('paper-requests.end')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/working-copies', [WorkingCopyController::class, 'store'])->name('files.working-copies');
    Route::get('/working-copies/{copy}', [WorkingCopyController::class, 'show'])->name('working-copies.show');
    Route::post('/working-copies/{copy}/end', [WorkingCopyController::class, 'end'])
        ->name('working-copies.end')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/working-copies/{copy}/papers/{paperkey}/signed.pdf', [WorkingCopyController::class, 'returned'])
        ->name('working-copies.papers.signed');
    Route::post('/working-copies/{copy}/papers/{paperkey}/take', [WorkingCopyController::class, 'take'])
        ->name('working-copies.papers.take');
    Route::post('/working-copies/{copy}/papers/{paperkey}/leave', [WorkingCopyController::class, 'leave'])
        ->name('working-copies.papers.leave')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/sets', [AssemblyController::class, 'store'])->name('files.sets')->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/sets/{set}', [AssemblyController::class, 'show'])->name('sets.show');
    Route::get('/sets/{set}/set.pdf', [AssemblyController::class, 'pdf'])->name('sets.set-pdf');
    Route::get('/files/{file}/delivery', [DeliveryController::class, 'show'])->name('files.delivery');
    Route::post('/files/{file}/delivery', [DeliveryController::class, 'note'])->name('files.delivery.note');
    Route::post('/files/{file}/delivery/send', [DeliveryController::class, 'send'])->name('files.delivery.send');
    Route::post('/sets/{set}/reading-copies', [AssemblyController::class, 'give'])
        ->name('sets.reading-copies')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/reading-copies/{copy}/end', [AssemblyController::class, 'end'])
        ->name('reading-copies.end')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/papers/{paper}', [PaperController::class, 'show'])->name('papers.show');
    Route::put('/papers/{paper}', [CareController::class, 'update'])->name('papers.update')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/versions', [CareController::class, 'replace'])
        ->name('papers.versions.store')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/changes', ChangeController::class)->name('papers.changes');
    Route::post('/papers/{paper}/void', [CareController::class, 'void'])->name('papers.void')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/seen-by', [CareController::class, 'show'])
        ->name('papers.seen-by')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/copy', [CareController::class, 'copy'])->name('papers.copy')->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/papers/{paper}/who', [CareController::class, 'who'])->name('papers.who');
    Route::get('/papers/{paper}/fillable.pdf', [CareController::class, 'fillable'])->name('papers.fillable-pdf');
    Route::get('/papers/{paper}/values.xfdf', [CareController::class, 'values'])->name('papers.values-xfdf');
    Route::post('/papers/{paper}/values', [CareController::class, 'take'])->name('papers.values');
    Route::post('/papers/{paper}/answers', [CareController::class, 'useAnswers'])->name('papers.answers');
    Route::get('/papers/{paper}/beside', [BesideController::class, 'show'])->name('papers.beside');
    Route::post('/papers/{paper}/carried', [BesideController::class, 'carry'])->name('papers.carried');
    Route::post('/papers/{paper}/amendment', [AmendmentController::class, 'store'])->name('papers.amendment');
    Route::get('/papers/{paper}/log', [LogController::class, 'show'])->name('papers.log');
    Route::post('/papers/{paper}/log', [LogController::class, 'bringBack'])->name('papers.log.store');
    Route::get('/papers/{paper}/revision', [LogController::class, 'revision'])->name('papers.revision');
    Route::post('/papers/{paper}/revision', [LogController::class, 'carryOver'])->name('papers.revision.store');
    Route::post('/papers/{paper}/pieces', LayerController::class)->name('papers.pieces');
    Route::get('/papers/{paper}/standing', [PaperController::class, 'standing'])->name('papers.standing');
    Route::post('/papers/{paper}/entries', [PaperController::class, 'entry'])->name('papers.entries');
    Route::get('/papers/{paper}/pages/{page}.webp', [PaperController::class, 'image'])->name('papers.pages');
    Route::get('/library/{number}/pages/{page}.webp', [PaperController::class, 'blankPage'])->name('library.pages');
    Route::get('/papers/{paper}/pdf', [PaperController::class, 'pdf'])->name('papers.pdf');
    Route::get('/papers/{paper}/text', [PaperController::class, 'text'])->name('papers.text');
    Route::get('/papers/{paper}/versions/{version}/original', [PaperController::class, 'original'])->name('papers.versions.original');

    Route::post('/files/{file}/rounds', [RoundController::class, 'store'])->name('files.rounds');
    Route::get('/rounds/{round}', [RoundController::class, 'show'])->name('rounds.show');
    Route::get('/rounds/{round}/drawn', [RoundController::class, 'drawn'])->name('rounds.drawn');
    Route::get('/rounds/{round}/standing', [RoundController::class, 'standing'])->name('rounds.standing');
    Route::put('/rounds/{round}', [RoundController::class, 'update'])->name('rounds.update');
    Route::delete('/rounds/{round}', [RoundController::class, 'discard'])->name('rounds.destroy')->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/rounds/{round}/send', [RoundController::class, 'send'])->name('rounds.send');
    Route::post('/rounds/{round}/try-again', [RoundController::class, 'tryAgain'])
        ->name('rounds.try-again')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/rounds/{round}/recall', [RoundController::class, 'recall'])
        ->name('rounds.recall')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::put('/rounds/{round}/signers/{signer}', [MendingController::class, 'readdress'])->name('rounds.signers.update');
    Route::put('/rounds/{round}/last-day', [MendingController::class, 'extend'])->name('rounds.last-day');
    Route::post('/rounds/{round}/again', [MendingController::class, 'again'])->name('rounds.again');
    Route::delete('/rounds/{round}/signers/{signer}', [RoundPeopleController::class, 'dropSigner'])->name('rounds.signers.destroy');
    Route::post('/rounds/{round}/remind', [RoundController::class, 'remindAll'])->name('rounds.remind');
    Route::post('/rounds/{round}/signers/{signer}/remind', [RoundController::class, 'remind'])->name('rounds.signers.remind');
    Route::get('/rounds/{round}/papers/{position}/pages/{page}.webp', [RoundController::class, 'image'])->name('rounds.papers.pages');
    Route::post('/rounds/{round}/papers', [RoundPapersController::class, 'store'])->name('rounds.papers');
    Route::put('/rounds/{round}/papers', [RoundPapersController::class, 'order'])->name('rounds.papers.order');
    Route::delete('/rounds/{round}/papers/{position}', [RoundPapersController::class, 'destroy'])
        ->name('rounds.papers.destroy')
        ->where('position', '\d{1,3}');
    Route::post('/rounds/{round}/papers/{position}/stencil', [StencilController::class, 'store'])
        ->name('rounds.papers.stencil')
        ->where('position', '\d{1,3}');
    Route::post('/rounds/{round}/looked', [RoundPapersController::class, 'looked'])->name('rounds.looked');
    Route::get('/rounds/{round}/marks', [MarksController::class, 'show'])->name('rounds.marks.show');
    Route::post('/rounds/{round}/marks', [MarksController::class, 'store'])->name('rounds.marks');
    Route::get('/rounds/{round}/papers/{position}/pages/{page}/places', [MarksController::class, 'places'])
        ->name('rounds.papers.pages.places')
        ->where(['position' => '\d{1,3}', 'page' => '\d{1,4}']);
    Route::put('/rounds/{round}/signers/{signer}/person', [MendingController::class, 'replace'])->name('rounds.signers.replace');
    Route::put('/rounds/{round}/signers/{signer}/code', [MendingController::class, 'code'])->name('rounds.signers.code');
    Route::post('/rounds/{round}/answers', [MendingController::class, 'answer'])->name('rounds.answers');
    Route::post('/rounds/{round}/here', [InPersonController::class, 'begin'])->name('rounds.here');
    Route::get('/here', [InPersonController::class, 'show'])->name('here');
    Route::post('/here/give/{signer}', [InPersonController::class, 'give'])->name('here.give');
    Route::post('/here/end', [InPersonController::class, 'end'])->name('here.end')->middleware('throttle:password');
    Route::get('/rounds/{round}/pen.pdf', [PenController::class, 'print'])->name('rounds.pen-pdf');
    Route::post('/rounds/{round}/pen', [PenController::class, 'add'])->name('rounds.pen');
    Route::post('/rounds/{round}/forgotten', [MendingController::class, 'forgotten'])->name('rounds.forgotten');
    Route::post('/rounds/{round}/asks', [AskedPapersController::class, 'store'])->name('rounds.asks');
    Route::delete('/rounds/{round}/signers/{signer}/asks/{key}', [AskedPapersController::class, 'destroy'])->name('rounds.asks.destroy');
    Route::post('/rounds/{round}/people', [RoundPeopleController::class, 'seatSomeone'])->name('rounds.people');
    Route::post('/rounds/{round}/signers/{signer}/into-file', [RoundPeopleController::class, 'intoFile'])->name('rounds.signers.into-file');
    Route::post('/rounds/{round}/lookers', [RoundController::class, 'askToLook'])->name('rounds.lookers');
    Route::post('/rounds/{round}/rehearsals', [RoundController::class, 'rehearse'])->name('rounds.rehearse');
    Route::post('/rounds/{round}/parts', [RoundPapersController::class, 'part'])->name('rounds.part');
    Route::post('/rounds/{round}/private/{key}', [RoundController::class, 'reveal'])->name('rounds.reveal');
    Route::get('/rounds/{round}/set.pdf', [RoundController::class, 'set'])->name('rounds.set-pdf');

    Route::get('/review', [ReviewController::class, 'index'])->name('review.index');
    Route::get('/review/done', [ReviewController::class, 'done'])->name('review.done');
    Route::get('/review/{requirement}', [ReviewController::class, 'show'])->name('review.show');
    Route::post('/files/{file}/submissions', [ReviewController::class, 'submitSeveral'])
        ->name('files.submissions')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/submit', [ReviewController::class, 'submit'])
        ->name('requirements.submit')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/review/accept-looked', [ReviewController::class, 'acceptLooked'])->name('review.accept-looked');
    Route::post('/review/sentences', [KeptSentenceController::class, 'store'])->name('review.sentences');
    Route::delete('/review/sentences/{sentence}', [KeptSentenceController::class, 'destroy'])->name('review.sentences.destroy');
    Route::get('/review/{requirement}/beside', [ReviewController::class, 'beside'])->name('review.beside');
    Route::get('/review/{requirement}/changes', [ReviewController::class, 'changes'])->name('review.changes');
    Route::get('/review/{requirement}/before/{page}.webp', [ReviewController::class, 'before'])->name('review.before');
    Route::get('/requirements/{requirement}/more', [ChecklistController::class, 'more'])->name('requirements.more');
    Route::post('/requirements/{requirement}/off', [ChecklistController::class, 'askOff'])->name('requirements.off');
    Route::delete('/requirements/{requirement}/off', [ChecklistController::class, 'takeBack'])->name('requirements.off.destroy');
    Route::post('/requirements/{requirement}/applies', [ChecklistController::class, 'refuse'])->name('requirements.applies');
    Route::post('/requirements/{requirement}/papers', [ChecklistController::class, 'with'])->name('requirements.papers');
    Route::delete('/requirements/{requirement}/papers/{paper}', [ChecklistController::class, 'without'])
        ->name('requirements.papers.destroy');
    Route::post('/papers/{paper}/done', [ChecklistController::class, 'done'])->name('papers.done');
    Route::delete('/papers/{paper}/done', [ChecklistController::class, 'undone'])->name('papers.done.destroy');
    Route::post('/files/{file}/stages', [ChecklistController::class, 'submit'])->name('files.stages');
    Route::get('/requirements/{requirement}/countersign', [CountersignController::class, 'show'])->name('requirements.countersign.show');
    Route::post('/requirements/{requirement}/countersign', [CountersignController::class, 'store'])->name('requirements.countersign');
    Route::get('/files/{file}/readers', [DraftReadController::class, 'readers'])->name('files.readers');
    Route::post('/files/{file}/reads', [DraftReadController::class, 'store'])->name('files.reads');
    Route::get('/reads/{read}', [DraftReadController::class, 'show'])->name('reads.show');
    Route::post('/reads/{read}/remarks', [DraftReadController::class, 'note'])->name('reads.remarks');
    Route::post('/reads/{read}/remarks/{remark}', [DraftReadController::class, 'resolve'])->name('reads.remarks.resolve');
    Route::post('/reads/{read}/done', [DraftReadController::class, 'done'])->name('reads.done');
    Route::post('/requirements/{requirement}/pass', [ReviewController::class, 'pass'])
        ->name('requirements.pass')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/spot', [ReviewController::class, 'spot'])
        ->name('requirements.spot')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/withdraw', [ReviewController::class, 'withdraw'])
        ->name('requirements.withdraw')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/remarks', [RemarkController::class, 'note'])
        ->name('requirements.remarks')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/findings/{finding}', [RemarkController::class, 'finding'])
        ->name('requirements.findings')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/remarks/{remark}/answer', [RemarkController::class, 'answer'])
        ->name('remarks.answer')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/remarks/{remark}/settle', [RemarkController::class, 'settle'])
        ->name('remarks.settle')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/accept', [ReviewController::class, 'accept'])
        ->name('requirements.accept')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/send-back', [ReviewController::class, 'sendBack'])
        ->name('requirements.send-back')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/waive', [ReviewController::class, 'waive'])
        ->name('requirements.waive')
        ->withoutMiddleware(OnlyOpenFiles::class);

    Route::get('/commission', [CommissionController::class, 'index'])->name('commission');
    Route::get('/files/{file}/commission', [CommissionController::class, 'show'])->name('files.commission');
    Route::put('/files/{file}/commission', [CommissionController::class, 'update'])
        ->name('files.commission.update')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::controller(DisbursementController::class)->withoutMiddleware(OnlyOpenFiles::class)->group(static function (): void {
        Route::post('/files/{file}/commission/authorize', 'store')->name('files.commission.authorize');
        Route::post('/files/{file}/commission/withdraw', 'withdraw')->name('files.commission.withdraw');
        Route::post('/files/{file}/commission/send', 'send')->name('files.commission.send');
        Route::post('/files/{file}/commission/received', 'received')->name('files.commission.received');
        Route::post('/files/{file}/commission/wired', 'wired')->name('files.commission.wired');
        Route::post('/files/{file}/commission/paid', 'paid')->name('files.commission.paid');
        Route::post('/files/{file}/commission/strike', 'strike')->name('files.commission.strike');
        Route::put('/files/{file}/commission/wording', 'word')->name('files.commission.word');
    });
    Route::post('/files/{file}/commission/versions/{version}', [CommissionController::class, 'again'])
        ->name('files.commission.again')
        ->withoutMiddleware(OnlyOpenFiles::class);

    Route::get('/reports', [ReportController::class, 'show'])->name('reports');
    Route::get('/reports/deals', [ReportController::class, 'deals'])->name('reports.deals');
    Route::get('/reports.csv', [ReportController::class, 'csv'])->name('reports.csv');
    Route::get('/reports.pdf', [ReportController::class, 'pdf'])->name('reports.pdf');
    Route::post('/reports/kept', [KeptReportController::class, 'store'])->name('reports.keep');
    Route::post('/reports/mail', [KeptReportController::class, 'mail'])->name('reports.mail');
    Route::delete('/reports/kept/{report}', [KeptReportController::class, 'destroy'])->name('reports.drop');
    Route::get('/reports/agents/{user}', [StatementController::class, 'show'])->name('reports.statement');
    Route::get('/reports/agents/{user}/pdf', [StatementController::class, 'pdf'])->name('reports.statement-pdf');

    Route::get('/office/history.jsonl', [OfficeController::class, 'audit'])->name('office.audit');
    Route::get('/office/history', [OfficeController::class, 'history'])->name('office.history');
    Route::get('/office', [OfficeController::class, 'index'])->name('office');
    Route::get('/office/offices', [OfficeController::class, 'offices'])->name('office.offices');
    Route::get('/office/library', [OfficeController::class, 'library'])->name('office.library');
    Route::get('/office/plans', [PlanController::class, 'index'])->name('plans');
    Route::post('/office/plans/{user}', [PlanController::class, 'store'])->name('plans.store');
    Route::post('/office/plans/{user}/debts', [DebtController::class, 'store'])->name('debts.store');
    Route::post('/office/debts/{debt}/settle', [DebtController::class, 'settle'])->name('debts.settle');
    Route::get('/office/fees', [OfficeFeesController::class, 'index'])->name('office-fees');
    Route::put('/office/fees/{office}', [OfficeFeesController::class, 'update'])->name('office-fees.update');
    Route::get('/office/disbursements', [WordingController::class, 'index'])->name('wording');
    Route::post('/office/disbursements/signature', [WordingController::class, 'sign'])->name('wording.sign');
    Route::delete('/office/disbursements/signature', [WordingController::class, 'unsign'])->name('wording.unsign');
    Route::put('/office/disbursements/{office}', [WordingController::class, 'update'])->name('wording.update');
    Route::get('/office/plans.csv', [PlanSheetController::class, 'download'])->name('plans.download');
    Route::post('/office/plans-sheet', [PlanSheetController::class, 'check'])->name('plans.check');
    Route::post('/office/plans-sheet/set', [PlanSheetController::class, 'store'])->name('plans.set');
    Route::get('/office/archive', [RetentionController::class, 'index'])->name('archive');
    Route::put('/office/archive/{office}', [RetentionController::class, 'update'])->name('archive.update');
    Route::get('/office/archive/certificates/{certificate}', [RetentionController::class, 'certificate'])->name('archive.certificate');
    Route::get('/files/{file}/keeping', [KeepingController::class, 'show'])->name('files.keeping');
    Route::post('/files/{file}/archive', [KeepingController::class, 'archive'])->name('files.archive')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/hold', [KeepingController::class, 'hold'])->name('files.hold')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/hold/lift', [KeepingController::class, 'lift'])->name('files.lift')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/office/connections', [ConnectionsController::class, 'index'])->name('connections');
    Route::post('/office/connections/tokens', [ConnectionsController::class, 'makeToken'])->name('connections.tokens');
    Route::delete('/office/connections/tokens/{token}', [ConnectionsController::class, 'revokeToken'])->name('connections.revoke');
    Route::post('/office/connections/webhooks', [ConnectionsController::class, 'makeHook'])->name('connections.hooks');
    Route::post('/office/connections/webhooks/{hook}', [ConnectionsController::class, 'turnHook'])->name('connections.turn');
    Route::post('/office/connections/calls/{call}/again', [ConnectionsController::class, 'again'])->name('connections.again');
    Route::get('/notices', [NoticeController::class, 'index'])->name('notices');
    Route::get('/notices/count', [NoticeController::class, 'count'])->name('notices.count');
    Route::post('/notices/seen', [NoticeController::class, 'see'])->name('notices.see');
    Route::get('/notices/settings', [NoticeController::class, 'settings'])->name('notices.settings');
    Route::put('/notices/settings', [NoticeController::class, 'set'])->name('notices.set');
    Route::post('/notices/{notice}', [NoticeController::class, 'open'])->name('notices.open');
    Route::post('/files/{file}/mute', [NoticeController::class, 'mute'])->name('files.mute')->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/office/setup', [SetupController::class, 'index'])->name('setup');
    Route::put('/office/setup/sender', [SetupController::class, 'sender'])->name('setup.sender');
    Route::post('/office/setup/finish', [SetupController::class, 'finish'])->name('setup.finish');
    Route::post('/office/setup/{step}', [SetupController::class, 'say'])->name('setup.say');
    Route::get('/office/running', [RunningController::class, 'index'])->name('running')->middleware(OnlyOperator::class);
    Route::post('/office/running/{kind}/{thing}', [RunningController::class, 'again'])->name('running.again')->whereNumber('thing')
        ->middleware(OnlyOperator::class);
    Route::put('/office/two-steps', [PermissionController::class, 'twoSteps'])->name('two-steps');
    Route::put('/office/company-sign-in', [CompanySignInController::class, 'update'])->name('company-sign-in.update');
    Route::delete('/office/company-sign-in', [CompanySignInController::class, 'destroy'])->name('company-sign-in.destroy');
    Route::get('/office/permissions/{office?}', [PermissionController::class, 'show'])->name('permissions.show');
    Route::put('/office/permissions/{office}', [PermissionController::class, 'update'])->name('permissions.update');
    Route::get('/office/roster', [RosterController::class, 'index'])->name('roster');
    Route::post('/office/roster', [RosterController::class, 'begin'])->name('roster.begin');
    Route::post('/office/roster/people/{user}/credentials', [RosterController::class, 'hold'])->name('roster.hold');
    Route::get('/office/roster/kits/{office}/{kind}', [RosterKitController::class, 'show'])->name('roster.kit');
    Route::put('/office/roster/kits/{office}/{kind}', [RosterKitController::class, 'update'])->name('roster.kit.update');
    Route::get('/office/roster/{case}', [RosterController::class, 'show'])->name('roster.show');
    Route::get('/office/roster/{case}/files.zip', [FolderController::class, 'leaver'])->name('roster.files-zip');
    Route::post('/office/roster/{case}', [RosterController::class, 'update'])->name('roster.update');
    Route::post('/office/roster/{case}/fates', [RosterController::class, 'fates'])->name('roster.fates');
    Route::post('/office/roster/{case}/steps', [RosterController::class, 'addStep'])->name('roster.steps');
    Route::post('/office/roster-steps/{step}', [RosterController::class, 'mark'])->name('roster.mark');
    Route::post('/office/covers', [CoverController::class, 'store'])->name('covers.store');
    Route::delete('/office/covers/{cover}', [CoverController::class, 'end'])->name('covers.end');
    Route::put('/office/coordinators/{office}', [CoverController::class, 'coordinate'])->name('coordinators');
    Route::post('/people/{user}/look', [PeopleController::class, 'look'])->name('people.look');
    Route::post('/look/end', [PeopleController::class, 'endLook'])->name('look.end');
    Route::get('/office/shelf', [ShelfController::class, 'index'])->name('shelf');
    Route::get('/office/sheet', [SheetController::class, 'show'])->name('sheet');
    Route::put('/office/sheet', [SheetController::class, 'update'])->name('sheet.update');
    Route::post('/files/{file}/shelf', [ShelfController::class, 'renewIn'])->name('files.shelf');
    Route::post('/office/shelf', [ShelfController::class, 'store'])->name('shelf.store');
    Route::get('/office/shelf/{item}', [ShelfController::class, 'show'])->name('shelf.show');
    Route::post('/office/shelf/{item}', [ShelfController::class, 'renew'])->name('shelf.renew');
    Route::post('/office/shelf/{item}/away', [ShelfController::class, 'away'])->name('shelf.away');
    Route::post('/office/shelf/{item}/take', [ShelfController::class, 'take'])->name('shelf.take');
    Route::post('/office/shelf/{item}/renew-all', [ShelfController::class, 'renewAll'])->name('shelf.renew-all');
    Route::get('/office/shelf/{item}/{version}.pdf', [ShelfController::class, 'document'])->name('shelf.document')->whereNumber('version');
    Route::get('/help/{place?}', [HelpController::class, 'show'])->name('help')->where('place', '[a-z]{1,20}');
    Route::get('/office/letters', [FormLetterController::class, 'index'])->name('form-letters');
    Route::get('/office/letters/new', [FormLetterController::class, 'show'])->name('form-letters.new');
    Route::post('/office/letters', [FormLetterController::class, 'store'])->name('form-letters.store');
    Route::post('/office/letters/signature', [FormLetterController::class, 'sign'])->name('form-letters.sign');
    Route::get('/office/letters/{letter}', [FormLetterController::class, 'show'])->name('form-letters.show');
    Route::put('/office/letters/{letter}', [FormLetterController::class, 'update'])->name('form-letters.update');
    Route::post('/office/letters/{letter}/away', [FormLetterController::class, 'away'])->name('form-letters.away');
    Route::get('/office/letter-rules', [LetterRuleController::class, 'index'])->name('letter-rules');
    Route::post('/office/letter-rules', [LetterRuleController::class, 'store'])->name('letter-rules.store');
    Route::post('/office/letter-rules/{rule}', [LetterRuleController::class, 'turn'])->name('letter-rules.turn');
    Route::delete('/office/letter-rules/{rule}', [LetterRuleController::class, 'destroy'])->name('letter-rules.destroy');
    Route::get('/office/inbox', [InboxController::class, 'index'])->name('inbox');
    Route::post('/inbox', [InboxController::class, 'drop'])->name('inbox.drop');
    Route::post('/inbox/sorters', [InboxController::class, 'sorters'])->name('inbox.sorters');
    Route::post('/inbox/file', [InboxController::class, 'fileSeveral'])->name('inbox.file-several');
    Route::post('/inbox/{item}/file', [InboxController::class, 'file'])->name('inbox.file');
    Route::post('/inbox/{item}/open', [InboxController::class, 'open'])->name('inbox.open');
    Route::post('/inbox/{item}/put-away', [InboxController::class, 'putAway'])->name('inbox.put-away');
    Route::post('/inbox/{item}/back', [InboxController::class, 'bringBack'])->name('inbox.back');
    Route::get('/inbox/{item}/original.eml', [InboxController::class, 'original'])->name('inbox.original');
    Route::get('/inbox/{item}/{place}', [InboxController::class, 'attachment'])->name('inbox.attachment');
    Route::get('/inbox/{item}/{place}/first.webp', [InboxController::class, 'picture'])->name('inbox.picture');

    Route::post('/files/{file}/uploads/{upload}/sort', [StackController::class, 'fromUpload'])
        ->name('files.uploads.sort')
        ->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/terms', [PaperController::class, 'takeTerms'])->name('papers.terms');
    Route::post('/papers/{paper}/sort', [StackController::class, 'fromPaper'])->name('papers.sort');
    Route::post('/inbox/sort', [StackController::class, 'fromMail'])->name('inbox.sort');
    Route::get('/stacks/{stack}', [StackController::class, 'show'])->name('stacks.show');
    Route::get('/stacks/{stack}/table', [StackController::class, 'table'])->name('stacks.table');
    Route::post('/stacks/{stack}/steps', [StackController::class, 'sort'])->name('stacks.steps');
    Route::post('/stacks/{stack}/file', [StackController::class, 'file'])->name('stacks.file');
    Route::get('/stacks/{stack}/{place}/small/{page}.webp', [StackController::class, 'page'])->name('stacks.small');
    Route::get('/stacks/{stack}/{place}/pages/{page}.webp', [StackController::class, 'large'])->name('stacks.pages');

    Route::get('/stencils', [StencilController::class, 'index'])->name('stencils.index');
    Route::put('/stencils/{stencil}', [StencilController::class, 'update'])->name('stencils.update');
    Route::get('/kits', [KitController::class, 'index'])->name('kits.index');
    Route::post('/kits', [KitController::class, 'store'])->name('kits.store');
    Route::post('/conditions/preview', [KitController::class, 'preview'])->name('conditions.preview');
    Route::get('/kits/{key}', [KitController::class, 'show'])->name('kits.show');
    Route::get('/kits/{key}/papers/{place}', [KitController::class, 'item'])->name('kits.papers.show');
    Route::get('/kits/{key}/forms/{number}', [KitController::class, 'form'])->name('kits.forms.show');
    Route::put('/kits/{kit}', [KitController::class, 'update'])->name('kits.update');
    Route::post('/kits/{kit}/versions/{version}', [KitController::class, 'bringBack'])->name('kits.versions')->where('version', '\d{1,6}');
    Route::delete('/kits/{kit}', [KitController::class, 'retire'])->name('kits.destroy');
    Route::get('/files/{file}/kits', [KitController::class, 'ofFile'])->name('files.kits.index');
    Route::get('/files/{file}/kits/{key}', [KitController::class, 'tryOn'])->name('files.kits.show');
    Route::post('/files/{file}/kits/{key}', [KitController::class, 'apply'])->name('files.kits.store');
    Route::get('/rules', [RuleController::class, 'index'])->name('rules.index');
    Route::post('/rules/own', [RuleController::class, 'makeOwn'])->name('rules.own');
    Route::get('/rules/try', [RuleController::class, 'tryOn'])->name('rules.try');
    Route::get('/rules/new', [RuleController::class, 'edit'])->name('rules.new');
    Route::post('/rules', [RuleController::class, 'store'])->name('rules.store');
    Route::get('/rules/{rule}', [RuleController::class, 'edit'])->name('rules.show');
    Route::put('/rules/{rule}', [RuleController::class, 'store'])->name('rules.update');
    Route::post('/rules/{rule}/active', [RuleController::class, 'toggle'])->name('rules.active');
    Route::delete('/rules/{rule}', [RuleController::class, 'destroy'])->name('rules.destroy');
});

if (config('unanimus.demo')) {
    Route::view('/style', 'style');
    // A signed-in page with nothing on it: what the others' costs are held against.
    Route::view('/style/empty', 'style-empty')->middleware('auth');
}
