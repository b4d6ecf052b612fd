<x-layout :title="$file === null ? 'Open a file' : 'Opening '.$file->name" place="files">
    @if ($file === null)
        <div class="leaf opening">
            <section>
                <h1>Open a file</h1>
                <p class="dim">Start with a listing number, an address, or a client’s name. The file is saved from the first entry on.</p>
                    <br>
                <form method="post" action="/files">
                    @csrf
                    <label class="unseen" for="first">Listing number, address, or name</label>
                    <div class="first-field">
                        <input class="input" id="first" name="first" autofocus autocomplete="off" maxlength="200"
                            placeholder="TR-26-04182, 14 Lanternfish Lane, or Sunniva Eide" hx-get="/listings"
                            hx-trigger="focus once, input changed delay:250ms" hx-target="#found" hx-swap="innerHTML">
                        <button class="button solid">Open file</button>
                    </div>
                    <div id="found" aria-live="polite"></div>
                    <fieldset class="ways">
                        <legend>We represent</legend>
                        <label class="radio"><input type="radio" name="represents" value="buyer" checked> the buyers</label>
                        <label class="radio"><input type="radio" name="represents" value="seller"> the seller</label>
                        <label class="radio"><input type="radio" name="represents" value="both"> both sides</label>
                        <label class="radio"><input type="radio" name="represents" value="tenant"> the tenants</label>
                        <label class="radio"><input type="radio" name="represents" value="landlord"> the landlord</label>
                    </fieldset>
                    <fieldset class="ways">
                        <legend>in a</legend>
                        <label class="radio"><input type="radio" name="kind" value="sale" checked> sale</label>
                        <label class="radio"><input type="radio" name="kind" value="lease"> lease</label>
                        <label class="radio"><input type="radio" name="kind" value="referral"> referral</label>
                    </fieldset>
                    @can('import-files')<p class="dim small"><br>Many files at once? <a href="/imports">Import files</a>.</p>@endcan
                </form>
            </section>
            <section>
                <h2>What this file will contain</h2>
                <p class="dim">Papers with the reason for each, dates, seats, and people show up here as you enter facts.</p>
                <br>
                <h2>Just trying it out?</h2>
                <p class="dim">A practice file has invented people. Fill, send, sign, submit: no email leaves it, and no one else
                    sees it.</p>
                <form method="post" action="/practice" class="with-taken">@csrf
                    <button class="button" name="represents" value="buyer">Practice with buyers</button>
                    <button class="button" name="represents" value="seller">Practice with a seller</button></form>
            </section>
        </div>
    @else
        <div class="head-row"><h1>{{ $file->name }}</h1><x-status :status="$file->status" /><span class="right"><a class="button solid"
            href="/files/{{ $file->key }}" data-press="f">Go to the file</a></span></div>
        @include('files.opening-body')
    @endif
</x-layout>
