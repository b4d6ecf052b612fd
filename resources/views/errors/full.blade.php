<x-error title="No room left" :what="$told" />
