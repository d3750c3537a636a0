/** What a sheet adds to the client's page: the stitch under a leftover, the mark on the place in hand. Never published. */
export const SHEET_CSS = `
html{overflow-y:scroll;scrollbar-width:none;scroll-behavior:auto!important}
a,button{cursor:pointer}
[data-place]{cursor:text}
img[data-place]{cursor:pointer}
[data-place]:empty:not(img){min-height:1.2em;min-width:3em;outline:2px dashed currentColor}
[data-basted]:not(img){text-decoration:underline dashed #d4511e 3px!important;text-underline-offset:.2em!important;
  text-decoration-skip-ink:none!important}
[data-basted] a,[data-basted] p,[data-basted] li{text-decoration:inherit}
[data-draft]{text-decoration:underline dotted #7a6200 3px!important;text-underline-offset:.2em!important}
img[data-basted]{outline:4px dashed #d4511e;outline-offset:-10px}
.viewing [data-basted]:not(img),.viewing [data-draft]{text-decoration:none!important}
.viewing [data-basted]>*,.viewing a[data-basted]{text-decoration:inherit}
.viewing [data-draft]{text-decoration:underline dotted #7a6200 3px!important;text-underline-offset:.2em!important}
img[data-basted]{outline:0}
body:not(.viewing) [data-place]:hover{box-shadow:0 0 0 4px rgb(246 201 21/.55)}
[data-in-hand]{box-shadow:0 0 0 3px #14241c,0 0 0 8px #f6c915!important}
[contenteditable]:focus{outline:0;box-shadow:0 0 0 3px #14241c,0 0 0 8px #f6c915!important}
.undrawn{padding:1.5rem;outline:2px dashed #d4511e;outline-offset:-8px}
.dropping{outline:8px solid #f6c915!important;outline-offset:-8px}
[data-measure]{position:absolute;inset:0 0 auto;visibility:hidden;pointer-events:none}
`
