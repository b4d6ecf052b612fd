<x-layout title="Reports" place="commission">
    <div class="head-row"><h1>Reports</h1><span class="dim">{{ $asked->period->label }}</span></div>
    @include('reports.asks')
    <section class="leaf pad" aria-label="By email"><h2>Too much to show at once</h2>
        <p>More than {{ number_format((int) config('unanimus.report_shows')) }} sides of deals are in this period. The report can be put
            together while you go on working, and emailed to {{ $email }}: the figures as a PDF and every deal as a table.</p>
        <form method="post" action="/reports/mail" class="in-row">@csrf<input type="hidden" name="press"
                value="{{ \Illuminate\Support\Str::ulid() }}">
            <input type="hidden" name="asked" value="{{ http_build_query($asked->query()) }}">
            <button class="button is-dark">Email it to me</button>
            <span class="dim">or choose fewer days above.</span></form></section>
</x-layout>
