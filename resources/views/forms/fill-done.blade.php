<x-guest title="All filled in" :from="$fill->asker->name">
    <div class="sheet"><h1>Thank you, that is all</h1><p>What you entered is in the papers for {{ $fill->file->name }}, and {{ $fill->asker->name }} has been told. You need not do anything more.</p><p class="dim small">Was something wrong? Answer the letter; {{ $fill->asker->name }} can send you the papers again.</p></div>
</x-guest>
