<?php

declare(strict_types=1);

use App\Access\Http\InOneTransaction;
use App\Access\Http\SeesWhatItNames;
use App\Access\Http\SignInController;
use App\Assembly\Http\AssemblyController;
use App\Assembly\Http\ReadingController;
use App\Assembly\Http\ReadingLink;
use App\Commission\Http\CommissionController;
use App\Files\Http\AmendmentController;
use App\Files\Http\CalendarController;
use App\Files\Http\DatesController;
use App\Files\Http\FileController;
use App\Files\Http\ImportController;
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
use App\Intake\Http\MailController;
use App\Office\Http\AccountController;
use App\Office\Http\HealthController;
use App\Office\Http\MembersController;
use App\Office\Http\OfficeController;
use App\Office\Http\PeopleController;
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
use App\Requirements\Http\KitController;
use App\Requirements\Http\RuleController;
use App\Review\Http\ReviewController;
use App\Signing\Http\ReminderController;
use App\Signing\Http\RoundController;
use App\Signing\Http\SignController;
use App\Signing\Http\SignerLink;
use Illuminate\Support\Facades\Route;

// A number in an address is one that a column can hold, else there is nothing there.
Route::pattern('page', '\d{1,4}');
Route::pattern('position', '\d{1,4}');
Route::pattern('place', '\d{1,4}');

Route::withoutMiddleware('web')->group(static function (): void {
    Route::get('/up', HealthController::class);
    Route::post('/intake/mail', MailController::class)->middleware('throttle:links');
});

Route::middleware('throttle:links')
    ->withoutMiddleware('web')
    ->prefix('/calendar')
    ->group(static function (): void {
        Route::get('/file/{key}/{proof}.ics', [CalendarController::class, 'file'])->where([
            'key' => '[0-9A-Z]{26}',
            'proof' => '[0-9a-f]{40}',
        ]);
        Route::get('/person/{key}/{proof}.ics', [CalendarController::class, 'person'])->where([
            'key' => '[0-9A-Z]{26}',
            'proof' => '[0-9a-f]{40}',
        ]);
    });

Route::middleware('guest')->group(static function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store'])
        ->middleware('throttle:sign-in')
        ->withoutMiddleware(InOneTransaction::class);
});

Route::middleware('guest')->group(static function (): void {
    Route::get('/sign-in/code', [SignInController::class, 'code']);
    Route::post('/sign-in/code', [SignInController::class, 'second'])
        ->middleware('throttle:second-factor')
        ->withoutMiddleware(InOneTransaction::class);
    Route::get('/invitation/{key}/{until}/{proof}', [PeopleController::class, 'invitation'])
        ->middleware('throttle:links')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}']);
    Route::post('/invitation/{key}/{until}/{proof}', [PeopleController::class, 'takeUp'])
        ->middleware('throttle:sign-in')
        ->where(['key' => '[0-9A-Z]{26}', 'until' => '\d{10}', 'proof' => '[0-9a-f]{64}'])
        ->withoutMiddleware(InOneTransaction::class);
});

Route::get('/sign-in/standing', [SignInController::class, 'standing']);

Route::prefix('/sign/{token}')
    ->middleware(['throttle:links', SignerLink::class])
    ->group(static function (): void {
        Route::get('/', [SignController::class, 'show']);
        Route::post('/opened', [SignController::class, 'opened']);
        Route::post('/consent', [SignController::class, 'consent']);
        Route::post('/adopt', [SignController::class, 'adopt']);
        Route::post('/marks/{key}', [SignController::class, 'mark']);
        Route::post('/finish', [SignController::class, 'finish']);
        Route::post('/decline', [SignController::class, 'decline']);
        Route::post('/ask', [SignController::class, 'ask'])->middleware('throttle:questions');
        Route::get('/papers/{position}/pages/{page}.webp', [SignController::class, 'image']);
        Route::get('/papers/{position}/text', [SignController::class, 'text'])->where('position', '\d{1,3}');
        Route::get('/set.pdf', [SignController::class, 'set']);
    });

Route::prefix('/fill/{token}')
    ->middleware(['throttle:links', FillLink::class])
    ->group(static function (): void {
        Route::get('/', [FillController::class, 'show']);
        Route::get('/questions/{number}', [FillController::class, 'question'])->where('number', '\d{1,6}');
        Route::post('/questions/{number}', [FillController::class, 'answerQuestion'])->where('number', '\d{1,6}');
        Route::get('/papers/{paperkey}', [FillController::class, 'paper']);
        Route::post('/papers/{paperkey}/entries', [FillController::class, 'entry']);
        Route::get('/papers/{paperkey}/pages/{page}.webp', [FillController::class, 'image']);
        Route::post('/opened', [FillController::class, 'opened']);
        Route::post('/finish', [FillController::class, 'finish']);
        Route::post('/another', [FillController::class, 'another']);
    });

Route::prefix('/read/{token}')
    ->middleware(['throttle:links', ReadingLink::class])
    ->group(static function (): void {
        Route::get('/', [ReadingController::class, 'show']);
        Route::get('/pages/{page}.webp', [ReadingController::class, 'image']);
        Route::get('/text', [ReadingController::class, 'text']);
        Route::get('/set.pdf', [ReadingController::class, 'pdf']);
        Route::post('/opened', [ReadingController::class, 'opened']);
    });

Route::middleware(['auth', SeesWhatItNames::class, OnlyOpenFiles::class])->group(static function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy']);
    Route::post('/sign-out/everywhere', [AccountController::class, 'everywhere']);
    Route::put('/password', [AccountController::class, 'password'])->middleware('throttle:password');

    Route::get('/me', [AccountController::class, 'show']);
    Route::post('/me/keys', [AccountController::class, 'keys']);
    Route::post('/me/second-factor', [AccountController::class, 'prepare'])->middleware('throttle:second-factor');
    Route::get('/me/second-factor.svg', [AccountController::class, 'picture']);
    Route::post('/me/second-factor/on', [AccountController::class, 'turnOn'])->middleware('throttle:second-factor');
    Route::delete('/me/second-factor', [AccountController::class, 'turnOff'])->middleware('throttle:second-factor');
    Route::delete('/me/sessions/{hash}', [AccountController::class, 'endSession']);
    Route::delete('/me/remembered/{device}', [AccountController::class, 'forget']);
    Route::post('/people', [PeopleController::class, 'invite']);
    Route::get('/people/{user}', [PeopleController::class, 'show']);
    Route::post('/people/{user}/invitation', [PeopleController::class, 'again']);
    Route::put('/people/{user}/roles', [PeopleController::class, 'roles']);
    Route::post('/people/{user}/active', [PeopleController::class, 'active']);
    Route::post('/offices', [PeopleController::class, 'openOffice']);
    Route::post('/offices/{office}/forms/{number}', [PeopleController::class, 'prefer'])->where('number', '[A-Z]{1,3}-\d{1,4}');
    Route::put('/offices/{office}', [PeopleController::class, 'office']);

    Route::get('/', TodayController::class);

    Route::get('/files', [FindController::class, 'index']);
    Route::match(['get', 'post'], '/files.csv', [FindController::class, 'csv']);
    Route::get('/find', [FindController::class, 'complete']);
    Route::post('/views', [FindController::class, 'keep']);
    Route::delete('/views/{view}', [FindController::class, 'drop']);
    Route::get('/open', [FileController::class, 'create']);
    Route::get('/listings', [FileController::class, 'listings']);
    Route::post('/files', [FileController::class, 'store']);
    Route::get('/files/{file}', [FilePageController::class, 'show']);
    Route::get('/files/{file}/history', [FilePageController::class, 'history']);
    Route::get('/files/{file}/opening', [FileController::class, 'opening']);
    Route::put('/files/{file}/facts', [FileController::class, 'setFact']);
    Route::post('/files/{file}/parties/{role}/order', [PartiesController::class, 'order']);
    Route::get('/files/{file}/people.vcf', [PartiesController::class, 'ofFile']);
    Route::get('/contacts', [PartiesController::class, 'book']);
    Route::post('/contacts', [PartiesController::class, 'store']);
    Route::get('/contacts.vcf', [PartiesController::class, 'export']);
    Route::get('/contacts/propose', [PartiesController::class, 'propose']);
    Route::post('/contacts/cards', [PartiesController::class, 'import']);
    Route::delete('/contacts/{contact}', [PartiesController::class, 'drop']);
    Route::put('/files/{file}/parties/{seat}', [FileController::class, 'setParty']);
    Route::post('/files/{file}/listing', [FileController::class, 'bringListing']);
    Route::get('/files/{file}/listing', [ListingController::class, 'show']);
    Route::post('/files/{file}/listing/sheet', [ListingController::class, 'file']);
    Route::post('/files/{file}/checked-facts', [ListingController::class, 'check']);
    Route::post('/files/{file}/listing/facts', [ListingController::class, 'take']);
    Route::post('/files/{file}/listing/papers', [ListingPapersController::class, 'store']);
    Route::post('/files/{file}/join/{twin}', [MembersController::class, 'ask']);
    Route::post('/join-requests/{joining}', [MembersController::class, 'decide']);
    Route::delete('/files/{file}/members/{user}', [MembersController::class, 'remove'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/deadlines/{name}', [FileController::class, 'deadline']);
    Route::get('/files/{file}/dates', [DatesController::class, 'show']);
    Route::get('/files/{file}/shift', [DatesController::class, 'preview']);
    Route::post('/files/{file}/shift', [DatesController::class, 'move']);
    Route::put('/files/{file}/dates/{name}', [DatesController::class, 'setByHand']);
    Route::delete('/files/{file}/dates/{name}', [DatesController::class, 'bringBack']);
    Route::post('/files/{file}/calendar', [CalendarController::class, 'renewFile'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/calendar', [CalendarController::class, 'renewOwn']);
    Route::post('/files/{file}/status', [StatusController::class, 'move'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/follow-on', [StatusController::class, 'followOn'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::put('/files/{file}/labels', [StatusController::class, 'labels'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/labels', [StatusController::class, 'labelMany']);

    Route::get('/files/{file}/offers', [OfferController::class, 'index']);
    Route::post('/files/{file}/offers', [OfferController::class, 'store']);
    Route::put('/files/{file}/offers/{offer}', [OfferController::class, 'update']);
    Route::get('/files/{file}/net', [OfferController::class, 'net']);
    Route::get('/imports', [ImportController::class, 'index']);
    Route::post('/imports', [ImportController::class, 'store']);
    Route::get('/imports/{import}', [ImportController::class, 'show']);
    Route::put('/imports/{import}/try', [ImportController::class, 'try']);
    Route::post('/imports/{import}/start', [ImportController::class, 'start']);
    Route::get('/imports/{import}/progress', [ImportController::class, 'progress']);
    Route::post('/imports/{import}/rows/{number}', [ImportController::class, 'anyway'])->where('number', '\d{1,6}');
    Route::get('/imports/{import}/left.csv', [ImportController::class, 'left']);
    Route::get('/tasks', [TaskController::class, 'index']);
    Route::post('/tasks', [TaskController::class, 'mark']);
    Route::post('/files/{file}/tasks', [TaskController::class, 'store'])->withoutMiddleware(OnlyOpenFiles::class);

    Route::get('/files/{file}/fill-requests', [FillRequestController::class, 'index']);
    Route::post('/files/{file}/fill-requests', [FillRequestController::class, 'store']);
    Route::post('/fill-requests/{fill}/seen', [FillRequestController::class, 'seen'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/fill-requests/{fill}/remind', [FillRequestController::class, 'remind']);
    Route::post('/fill-requests/{fill}/take-back', [FillRequestController::class, 'takeBack'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/fill-requests/{fill}/renew', [FillRequestController::class, 'renew']);
    Route::get('/own-forms', [OwnFormController::class, 'index']);
    Route::post('/own-forms', [OwnFormController::class, 'store']);
    Route::get('/own-forms/{own}', [OwnFormController::class, 'show']);
    Route::post('/own-forms/{own}/changes', [OwnFormController::class, 'change']);
    Route::get('/own-forms/{own}/pages/{page}.webp', [OwnFormController::class, 'image']);
    Route::get('/own-forms/{own}/try', [OwnFormController::class, 'tryOn']);
    Route::post('/own-forms/{own}/try', [OwnFormController::class, 'printTrial']);
    Route::post('/own-forms/{own}/in-force', [OwnFormController::class, 'putInForce']);
    Route::post('/own-forms/{own}/revise', [OwnFormController::class, 'revise']);
    Route::post('/own-forms/{own}/retired', [OwnFormController::class, 'toggleRetired']);
    Route::delete('/own-forms/{own}', [OwnFormController::class, 'drop']);
    Route::get('/files/{file}/forms', [FormsController::class, 'index']);
    Route::post('/files/{file}/forms/{number}', [FormsController::class, 'take'])->where('number', '[A-Z]{1,3}-\d{1,4}');
    Route::post('/files/{file}/papers', [PaperController::class, 'bring'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/uploads', [PaperController::class, 'uploads']);
    Route::post('/files/{file}/acceptance', [StatusController::class, 'accept']);
    Route::post('/files/{file}/order', [ArrangeController::class, 'order']);
    Route::post('/files/{file}/tags', [ArrangeController::class, 'tag'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/assign', [ArrangeController::class, 'assign'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/reminders', [ReminderController::class, 'store']);
    Route::post('/files/{file}/placing', [PlacingController::class, 'store'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/files/{file}/uploads/{upload}', [PaperController::class, 'upload'])->where('upload', '[\w:-]{8,60}');
    Route::match(['get', 'post'], '/files/{file}/assembled', [AssemblyController::class, 'print'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/papers.zip', [AssemblyController::class, 'zip'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::match(['get', 'post'], '/files/{file}/assembling', [AssemblyController::class, 'compose'])->withoutMiddleware(
        OnlyOpenFiles::class,
    );
    Route::post('/files/{file}/sets', [AssemblyController::class, 'store'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/sets/{set}', [AssemblyController::class, 'show']);
    Route::get('/sets/{set}/set.pdf', [AssemblyController::class, 'pdf']);
    Route::post('/sets/{set}/reading-copies', [AssemblyController::class, 'give'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/reading-copies/{copy}/end', [AssemblyController::class, 'end'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/papers/{paper}', [PaperController::class, 'show']);
    Route::put('/papers/{paper}', [CareController::class, 'update'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/versions', [CareController::class, 'replace'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/void', [CareController::class, 'void'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/seen-by', [CareController::class, 'show'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/papers/{paper}/copy', [CareController::class, 'copy'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::get('/papers/{paper}/fillable.pdf', [CareController::class, 'fillable']);
    Route::get('/papers/{paper}/values.xfdf', [CareController::class, 'values']);
    Route::post('/papers/{paper}/values', [CareController::class, 'take']);
    Route::post('/papers/{paper}/answers', [CareController::class, 'useAnswers']);
    Route::get('/papers/{paper}/beside', [BesideController::class, 'show']);
    Route::post('/papers/{paper}/carried', [BesideController::class, 'carry']);
    Route::post('/papers/{paper}/amendment', [AmendmentController::class, 'store']);
    Route::get('/papers/{paper}/log', [LogController::class, 'show']);
    Route::post('/papers/{paper}/log', [LogController::class, 'bringBack']);
    Route::get('/papers/{paper}/revision', [LogController::class, 'revision']);
    Route::post('/papers/{paper}/revision', [LogController::class, 'carryOver']);
    Route::post('/papers/{paper}/pieces', LayerController::class);
    Route::get('/papers/{paper}/standing', [PaperController::class, 'standing']);
    Route::post('/papers/{paper}/entries', [PaperController::class, 'entry']);
    Route::get('/papers/{paper}/pages/{page}.webp', [PaperController::class, 'image']);
    Route::get('/library/{number}/pages/{page}.webp', [PaperController::class, 'blankPage']);
    Route::get('/papers/{paper}/pdf', [PaperController::class, 'pdf']);
    Route::get('/papers/{paper}/text', [PaperController::class, 'text']);
    Route::get('/papers/{paper}/versions/{version}/original', [PaperController::class, 'original']);

    Route::post('/files/{file}/rounds', [RoundController::class, 'store']);
    Route::get('/rounds/{round}', [RoundController::class, 'show']);
    Route::get('/rounds/{round}/standing', [RoundController::class, 'standing']);
    Route::put('/rounds/{round}', [RoundController::class, 'update']);
    Route::delete('/rounds/{round}', [RoundController::class, 'discard'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/rounds/{round}/send', [RoundController::class, 'send']);
    Route::post('/rounds/{round}/seal-again', [RoundController::class, 'sealAgain'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/rounds/{round}/recall', [RoundController::class, 'recall'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::delete('/rounds/{round}/signers/{signer}', [RoundController::class, 'dropSigner']);
    Route::post('/rounds/{round}/signers/{signer}/remind', [RoundController::class, 'remind']);
    Route::get('/rounds/{round}/papers/{position}/pages/{page}.webp', [RoundController::class, 'image']);
    Route::get('/rounds/{round}/set.pdf', [RoundController::class, 'set']);

    Route::get('/review', [ReviewController::class, 'index']);
    Route::get('/review/{requirement}', [ReviewController::class, 'show']);
    Route::post('/files/{file}/submissions', [ReviewController::class, 'submitSeveral'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/submit', [ReviewController::class, 'submit'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/accept', [ReviewController::class, 'accept'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/send-back', [ReviewController::class, 'sendBack'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/requirements/{requirement}/waive', [ReviewController::class, 'waive'])->withoutMiddleware(OnlyOpenFiles::class);

    Route::get('/commission', [CommissionController::class, 'index']);
    Route::get('/files/{file}/commission', [CommissionController::class, 'show']);
    Route::put('/files/{file}/commission', [CommissionController::class, 'update'])->withoutMiddleware(OnlyOpenFiles::class);
    Route::post('/files/{file}/commission/authorize', [CommissionController::class, 'authorizePayment'])->withoutMiddleware(
        OnlyOpenFiles::class,
    );

    Route::get('/office/history', [OfficeController::class, 'history']);
    Route::get('/office', [OfficeController::class, 'index']);
    Route::get('/office/offices', [OfficeController::class, 'offices']);
    Route::get('/office/library', [OfficeController::class, 'library']);
    Route::get('/office/inbox', [OfficeController::class, 'inbox']);

    Route::get('/kits', [KitController::class, 'index']);
    Route::post('/kits', [KitController::class, 'store']);
    Route::post('/conditions/preview', [KitController::class, 'preview']);
    Route::get('/kits/{key}', [KitController::class, 'show']);
    Route::get('/kits/{key}/papers/{place}', [KitController::class, 'item']);
    Route::get('/kits/{key}/forms/{number}', [KitController::class, 'form']);
    Route::put('/kits/{kit}', [KitController::class, 'update']);
    Route::post('/kits/{kit}/versions/{version}', [KitController::class, 'bringBack'])->where('version', '\d{1,6}');
    Route::delete('/kits/{kit}', [KitController::class, 'retire']);
    Route::get('/files/{file}/kits', [KitController::class, 'ofFile']);
    Route::get('/files/{file}/kits/{key}', [KitController::class, 'tryOn']);
    Route::post('/files/{file}/kits/{key}', [KitController::class, 'apply']);
    Route::get('/rules', [RuleController::class, 'index']);
    Route::post('/rules/own', [RuleController::class, 'makeOwn']);
    Route::get('/rules/try', [RuleController::class, 'tryOn']);
    Route::get('/rules/new', [RuleController::class, 'edit']);
    Route::post('/rules', [RuleController::class, 'store']);
    Route::get('/rules/{rule}', [RuleController::class, 'edit']);
    Route::put('/rules/{rule}', [RuleController::class, 'store']);
    Route::post('/rules/{rule}/active', [RuleController::class, 'toggle']);
    Route::delete('/rules/{rule}', [RuleController::class, 'destroy']);
});

if (config('unanimus.demo')) {
    Route::view('/style', 'style');
    // A signed-in page with nothing on it: what the others' costs are held against.
    Route::view('/style/empty', 'style-empty')->middleware('auth');
}
