<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Api\FileRecord;
use App\Files\Actions\KeepTasks;
use App\Files\NewTask;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\Paper;
use App\Models\Payment;
use App\Models\Task;
use App\Models\User;
use App\Papers\Actions\TakeUpload;
use App\Papers\PaperPrint;
use App\Papers\PdfAnswer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Unanimus\Intake\Converter;

/** Documents, tasks and figures of a file, for programs. */
final class WorkController
{
    public function documents(DealFile $file): JsonResponse
    {
        Gate::authorize('see', $file);

        return new JsonResponse(['documents' => $file->papers()->with('latest')->get()->map(FileRecord::paper(...))->all()]);
    }

    public function content(Paper $paper, PaperPrint $print): Response
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values', 'latest']);
        Gate::authorize('see', $paper->file);

        return PdfAnswer::of($print->whole($paper), $paper->title);
    }

    public function upload(Request $request, DealFile $file, TakeUpload $take): JsonResponse
    {
        Gate::authorize('work-on', $file);
        $most = Converter::LARGEST / 1024;
        $given = $request->validate(['file' => "required|file|max:{$most}", 'document' => 'nullable|string|size:26']);
        $one = $request->file('file');
        abort_unless($one instanceof UploadedFile, 422);
        $for = ($given['document'] ?? null) === null ? null : $file->papers()->where('key', $given['document'])->firstOrFail();
        $key = (string) Str::ulid();
        $upload = $take($file, $one->getPathname(), $one->getClientOriginalName(), $key, User::signedIn($request), $for);

        return new JsonResponse(['state' => $upload->state, 'told' => $upload->told], $upload->state === 'refused' ? 422 : 201);
    }

    public function tasks(DealFile $file): JsonResponse
    {
        Gate::authorize('see', $file);

        return new JsonResponse(['tasks' => $file->tasks()->with(['assignee', 'doer'])->orderBy('id')->get()->map(FileRecord::task(...))
            ->all()]);
    }

    public function addTask(Request $request, DealFile $file, KeepTasks $tasks): JsonResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['title' => 'required|string|max:200', 'due_on' => 'nullable|date_format:Y-m-d']);
        $task = $tasks->add($file->load(['office', 'knownFacts', 'members']), new NewTask($given['title'],
            (string) ($given['due_on'] ?? '')),
            User::signedIn($request));

        return new JsonResponse(FileRecord::task($task->load(['assignee', 'doer'])), 201);
    }

    public function markTask(Request $request, Task $task, KeepTasks $tasks): JsonResponse
    {
        Gate::authorize('work-on', $task->file);
        $given = $request->validate(['done' => 'required|boolean']);
        $tasks->mark($task, (bool) $given['done'], User::signedIn($request));

        return new JsonResponse(FileRecord::task($task->refresh()->load(['assignee', 'doer'])));
    }

    public function commission(DealFile $file): JsonResponse
    {
        Gate::authorize('see-commission', $file);
        $sheets = Commission::query()->where('deal_file_id', $file->id)->with(['disbursements.payments'])->orderBy('id')->get();

        return new JsonResponse(['sheets' => $sheets->map(static fn (Commission $one) => [
            'side' => $one->side?->value,
            'rate' => $one->rate->decimal(),
            'expected' => ['gross' => $one->expected['gross'] ?? null, 'company' => $one->expected['company'] ?? null],
            'authorizations' => $one->disbursements->map(static fn (Disbursement $paid) => [
                'number' => $paid->number,
                'closing' => $paid->closing->iso(),
                'price' => $paid->price->decimal(),
                'gross' => $paid->gross->decimal(),
                'company' => $paid->company->decimal(),
                'authorized_at' => $paid->authorized_at->copy()->utc()->format('Y-m-d\TH:i:s\Z'),
                'withdrawn' => $paid->withdrawn_at !== null,
                'payments' => $paid->payments->whereNull('struck_at')->map(static fn (Payment $one) => [
                    'payee' => $one->payee,
                    'amount' => $one->amount->decimal(),
                    'paid_on' => $one->paid_on->iso(),
                ])->values()->all(),
            ])->values()->all(),
        ])->all()]);
    }
}
