@include('files.flap-follows')
<div id="file-top" hx-swap-oob="innerHTML">@include('files.head')</div>
