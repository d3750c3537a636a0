/** What a sheet adds to the client's page: the stitch under a leftover, the mark on the place in hand. Never published. */
export const SHEET_CSS = `
html{overflow-y:scroll;scrollbar-width:none;scroll-behavior:auto!important}
a,button{cursor:pointer}
body:not(.viewing) [data-place]{cursor:text}
body:not(.viewing) img[data-place]{cursor:pointer}
[data-place]:empty:not(img){min-height:1.2em;min-width:3em;outline:2px dashed currentColor}
body:not(.viewing) [data-basted]:not(img){text-decoration:underline dashed #d4511e 3px!important;text-underline-offset:.2em!important;
  text-decoration-skip-ink:none!important}
body:not(.viewing) [data-basted] :is(a,p,li){text-decoration:inherit}
body:not(.viewing) img[data-basted]{outline:4px dashed #d4511e!important;outline-offset:-10px!important}
[data-draft]{text-decoration:underline dotted #7a6200 3px!important;text-underline-offset:.2em!important}
body:not(.viewing) [data-place]:hover{box-shadow:0 0 0 4px rgb(246 201 21/.55)}
[data-in-hand]{box-shadow:0 0 0 3px #14241c,0 0 0 8px #f6c915!important}
[data-boxed]{outline:8px solid #f6c915!important;outline-offset:-8px;box-shadow:inset 0 0 0 10px #14241c!important}
[data-section-in-hand]{outline:6px solid #f6c915!important;outline-offset:-6px}
[contenteditable].ProseMirror{white-space:pre-wrap}
[contenteditable] [data-chip]{border-radius:3px;background:rgb(246 201 21/.45)}
.ProseMirror-selectednode{outline:2px solid #14241c}
:is([contenteditable]:focus,.ProseMirror){outline:0;box-shadow:0 0 0 3px #14241c,0 0 0 8px #f6c915!important}
.undrawn{padding:1.5rem;outline:2px dashed #d4511e;outline-offset:-8px}
/* A section with nothing in it is not published: it takes no room here either, and a label on its edge says so. */
.seam{position:relative;height:0;overflow:visible;z-index:2;border-top:0;padding:0!important;margin:0!important}
.seam::before{content:"";position:absolute;inset:-1px 0 auto;border-top:2px dashed #d4511e}
.seam p{position:absolute;top:-.7rem;inset-inline-start:1rem;margin:0;padding:0 .5rem;font:14px/1.4rem sans-serif;color:#14241c;
  background:#f6c915;white-space:nowrap}
.viewing .seam{display:none}
.dropping{outline:8px solid #f6c915!important;outline-offset:-8px}
[data-marker]{position:fixed;z-index:99;height:12px;margin-top:-6px;background:#14241c;border:4px solid #f6c915;pointer-events:none}
.arranging{user-select:none}
.arranging [data-section]{cursor:grab}
.arranging :is(a,button){cursor:pointer}
[data-dragging],[data-dragging] *{cursor:grabbing!important}
[data-measure]{position:absolute;inset:0 0 auto;visibility:hidden;pointer-events:none}
`
