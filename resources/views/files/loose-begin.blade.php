{{-- Papers that are signed without a deal file. --}}
<form class="loose-begin" method="post" action="/loose-papers" enctype="multipart/form-data" data-drop-here>@csrf
    <span>Something to sign that has no file?</span>
    <label class="button tight" title="A PDF or a picture. Or drop it anywhere on this page.">Choose a PDF<input class="unseen" type="file"
        name="paper" accept=".pdf,image/*" data-file-form aria-label="PDF to have signed"></label>
    <button class="button tight plain">Start from a form</button></form>
