@forelse ($found as $form)
    @include('papers.form-row', ['said' => ''])
@empty
    <p class="empty">No form found. Try its number, or parts of its name in any order.</p>
@endforelse
