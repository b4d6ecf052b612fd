@if (session('told'))<p class="say" role="status">{{ session('told') }}</p>@endif
@if (session('refused'))<p class="say no" role="alert">{{ session('refused') }}</p>@endif
@if ($errors->any())<div class="say no" role="alert">@foreach ($errors->all() as $error)<div>{{ $error }}</div>@endforeach</div>@endif
<p class="say no" role="alert" id="said" hidden></p>
