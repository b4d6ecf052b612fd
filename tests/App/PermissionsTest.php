<?php

declare(strict_types=1);

use App\Models\ApiToken;
use App\Models\FormLetter;
use App\Models\Office;
use App\Models\OfficePermission;
use App\Models\Role;
use App\Models\ShelfItem;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\Permission;

/** What an administrator says. @param  array<string, list<string>>  $may */
function permit(array $may, string $who = 'fenna'): Illuminate\Testing\TestResponse
{
    $answer = test()->as($who)->put('/office/permissions/'.homeOffice()->key, ['may' => $may]);
    test()->seeAll();

    return $answer;
}

function homeOffice(): Office
{
    test()->seeAll();

    return test()->people['wendell']->officeRoles->firstOrFail()->office;
}

/** Every office says the same. @param  array<string, list<string>>  $may */
function permitEverywhere(array $may): void
{
    test()->seeAll();
    foreach (Office::query()->get() as $office) {
        foreach ($may as $permission => $roles) {
            DB::table('office_permissions')->upsert([['brokerage_id' => $office->brokerage_id, 'office_id' => $office->id,
                'permission' => $permission, 'roles' => '{'.implode(',', $roles).'}']], ['office_id', 'permission'], ['roles']);
        }
    }
    OfficePermission::forget();
}

it('says the same in the database as in core where no office has said otherwise', function () {
    $this->seeAll();
    foreach (Permission::cases() as $permission) {
        $said = explode(',', trim((string) DB::scalar('SELECT usual_roles(?)', [$permission->value]), '{}'));
        expect($said)->toBe($permission->usual(), $permission->value)
            ->and($permission->kept($permission->usual()))->toBe($permission->usual());
    }
    expect(DB::scalar("SELECT usual_roles('no such thing')"))->toBe('{}');
});

it('shows everybody what each role may, and lets administrators change it', function () {
    $office = homeOffice();
    $this->as('priya')->get('/office/permissions')->assertOk()->assertSee('Put documents on the shelf')->assertDontSee('Save permissions');
    $this->as('fenna')->get("/office/permissions/{$office->key}")->assertOk()->assertSee('Save permissions');
    permit(['keep_shelf' => ['', 'agent', 'broker', 'wizard'], 'connect' => ['broker']])->assertSessionHas('told', 'Saved.');
    permit(['keep_shelf' => ['agent', 'broker'], 'connect' => ['broker']])->assertSessionHas('told', 'Nothing changed.');
    expect(OfficePermission::roles(Permission::KeepShelf, $office->id))->toBe(['agent', 'broker'])
        ->and(DB::table('brokerage_history')->where('what', 'Permissions changed')->count())->toBe(1);
    $this->as('fenna')->get("/office/permissions/{$office->key}")->assertSee('changed here');
    permit(['keep_shelf' => ['']])->assertSessionHas('reason', AccessRefusal::NobodyMay->value);
    permit(['keep_shelf' => Permission::KeepShelf->usual()])->assertSessionHas('told', 'Saved.');
    expect(DB::table('office_permissions')->where('permission', 'keep_shelf')->count())->toBe(0);
});

it('is changed by administrators of that office alone, also past the application', function () {
    foreach (['ines', 'wendell', 'priya', 'marguerite'] as $who) {
        permit(['keep_shelf' => ['agent']], $who);
    }
    expect(DB::table('office_permissions')->count())->toBe(0);
    $office = homeOffice();
    $this->as('priya')->get('/office/permissions');
    expect(fn () => DB::table('office_permissions')->insert(['brokerage_id' => $office->brokerage_id, 'office_id' => $office->id,
        'permission' => 'keep_shelf', 'roles' => '{agent}']))->toThrow(QueryException::class);
});

it('holds in the application and in the database, each by itself, where a role may more or less than usual', function () {
    permitEverywhere(['keep_shelf' => ['agent'], 'keep_letters' => ['administrator'], 'connect' => ['broker'],
        'import_files' => ['broker']]);
    $this->as('wendell')->post('/office/shelf', ['title' => 'x', 'url' => 'https://x.example'])->assertForbidden();
    $this->as('priya')->post('/office/shelf', ['title' => 'Agents keep it', 'url' => 'https://x.example'])->assertSessionHas('told');
    $this->as('wendell')->post('/imports', [])->assertForbidden();
    $this->as('priya')->get('/imports')->assertForbidden();
    $this->as('wendell')->post('/office/connections/tokens', ['name' => 'x', 'scopes' => ['files']])->assertForbidden();
    $this->seeAll();
    expect(ShelfItem::query()->pluck('title')->all())->toBe(['Agents keep it'])->and(ApiToken::query()->count())->toBe(0);
    $row = ['brokerage_id' => $this->people['wendell']->brokerage_id, 'title' => 'y', 'topic' => 'z', 'kind' => 'link',
        'url' => 'https://x.example'];
    $this->as('wendell')->get('/office/shelf');
    expect(fn () => DB::table('shelf_items')->insert([...$row, 'key' => str_repeat('A', 26)]))->toThrow(QueryException::class);
});

it('keeps what is no matter of choice', function () {
    permitEverywhere(['keep_plans' => ['agent']]);
    $this->as('priya')->get('/review')->assertForbidden();
    $this->as('marguerite')->get('/review')->assertForbidden();
    expect($this->people['priya']->fresh()->may(Permission::KeepPlans))->toBeTrue()
        ->and($this->people['priya']->fresh()->holds(Role::Broker))->toBeFalse()
        ->and(FormLetter::query()->count())->toBeGreaterThanOrEqual(0);
});
