@forelse ($found as $form)
    @include('papers.form-row', ['said' => ''])
@empty
    <p class="empty">No form is called so. Try its number, or parts of its words in any order.</p>
@endforelse
