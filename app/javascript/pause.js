// How long to wait for more, in milliseconds; where screens are tested, a part of it (data-pace of the page).
export const pause = (milliseconds) => milliseconds * Number(document.documentElement.dataset.pace ?? 1)
