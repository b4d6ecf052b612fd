<x-office title="Fees" at="fees" about="what an office usually takes, suggested on each new sheet">
    @php($agents = [])
    @php($locked = false)
    @foreach ($errors->all() as $error)<p class="late" role="alert">{{ $error }}</p>@endforeach
    @foreach ($offices as $office)
    <section class="leaf pad" aria-label="{{ $office->name }}"><h2>{{ $office->name }}</h2>
        <form method="post" action="/office/fees/{{ $office->key }}">@csrf @method('put')
            @foreach (range(0, min(\Unanimus\Commission\FeeEntered::MOST - 1, count($office->fees))) as $n)
                @include('commission.fee-row', ['fee' => $office->fees[$n] ?? []])
            @endforeach
            <p class="in-row"><button class="button now">Save fees</button><span class="dim">Leave the amount empty where it is not known
                beforehand: the sheet asks for it. Save to get another row.</span></p>
        </form>
    </section>
    @endforeach
</x-office>
