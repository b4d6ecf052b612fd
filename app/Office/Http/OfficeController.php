<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Models\InboundItem;
use App\Models\Office;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\Library;

/** The Office place: people, offices, the library, what came in by mail. */
final class OfficeController
{
    public function index(Library $library): View
    {
        return view('office.index', [
            'offices' => Office::query()->orderBy('name')->get(),
            'people' => User::query()->with('officeRoles.office')->when(! Gate::allows('run-office'), static fn ($query) => $query->where('active', true))->orderByDesc('active')->orderBy('name')->get(),
            'forms' => $library->all(),
            'inbox' => Gate::allows('run-office') ? InboundItem::query()->orderByDesc('id')->limit(30)->get() : collect(),
        ]);
    }
}
